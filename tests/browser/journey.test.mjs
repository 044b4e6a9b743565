// A new user with the demo and a keyboard: decide, name and tag ten layers, build, unzip, find what the platforms demand.
import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { after, before, test } from 'node:test';
import { createHash } from 'node:crypto';
import Ajv from 'ajv/dist/2020.js';
import { unzipSync } from 'fflate';
import { PNG } from 'pngjs';
import { launch, newPage } from './browser.mjs';
import { root, serve } from './server.mjs';

let server, browser, page;
const problems = [];

before(async () => {
  server = await serve();
  browser = await launch();
  page = await newPage(browser, { viewport: { width: 1280, height: 800 } });
  page.on('pageerror', e => problems.push(e.message));
  page.on('console', m => m.type() === 'error' && problems.push(m.text()));
});
after(async () => {
  await browser?.close();
  await server?.stop();
});

const key = async (...keys) => {
  for (const k of keys) {
    await page.keyboard.press(k);
  }
};
const cursorName = () => page.locator('.ledger-row.cursor .cell-name strong').innerText();
const settled = action => Promise.all([page.waitForResponse(r => /\/(edit|undo|redo|fix)$/.test(r.url()) && r.ok()), action()]);
// Rows out of sight are not in the page, so what ships is asked of the page's own list.
const shipsAre = n => page.waitForFunction(n => benchRows.list.filter(r => r.decision === 'ship').length === n, n);
const ships = () => page.evaluate(() => benchRows.list.filter(r => r.decision === 'ship').length);

async function cursorTo(name) {
  await key('Home', 'Escape');
  for (let i = 0; i < 200 && await cursorName() !== name; i++) {
    await key('ArrowDown');
  }
  assert.equal(await cursorName(), name);
}

const chosen = [
  // as drawn, ship name, tags; each another drawing, for equal ones are decided together
  ['signal', 'signal-strength', 'icon to:icons'],
  ['battery', 'battery-full', 'icon to:icons crop:28x28'],
  ['Group 41', 'star-early', 'icon to:icons bleed:2'],
  ['Group 58', 'cloud', 'icon to:icons/sky'],
  ['cloud-night', 'Moon Night', 'icon to:icons/sky scale:1x,2x'],
  ['saturn', 'saturn', 'logo to:art'],
  ['Path 4 copy', 'heart', 'icon crop:shape to:icons'],
  ['tab-ticket', 'tab-visits', 'icon to:icons/tabs'],
  ['tab-person', 'tab-me', 'icon to:icons/tabs'],
  ['background', 'night-ground', 'picture to:art'],
];

test('ten layers are decided, named and tagged by keyboard alone', async () => {
  await page.goto(server.address);
  await page.keyboard.press('Tab');
  for (let i = 0; i < 10 && !await page.evaluate(() => document.activeElement.matches(".project-name > a")); i++) {
    await key('Tab');
  }
  await key('Enter');
  await page.waitForSelector('.screen-face');
  for (let i = 0; i < 30 && !await page.evaluate(() => document.activeElement.matches('.screen-face')); i++) {
    await key('Tab');
  }
  await key('Enter');
  await page.waitForSelector('.ledger-row');
  for (const [drawn, name, tags] of chosen) {
    await cursorTo(drawn);
    await settled(() => key('s'));
    await key('n');
    await page.waitForSelector('.name-input:focus');
    await page.keyboard.type(name);
    if (name === drawn) {
      await key('Enter');
    } else {
      await settled(() => key('Enter'));
    }
    await key('/');
    await page.keyboard.type(tags + ' ');
    await settled(() => key('Enter'));
    await page.waitForFunction(() => document.activeElement.matches('.rows'));
  }
  // The star stands three times on this screen and is made once.
  assert.equal(await page.evaluate(() => benchRows.list.filter(r => r.name === 'star-early' && r.decision === 'ship').length), 3);
  assert.match(await page.locator('.bench-foot').innerText(), /14 layers/);
});

test('a mistyped tag is told with the nearest and changes nothing', async () => {
  const sums = await page.locator('.sum-side').last().innerText();
  await key('/');
  await page.keyboard.type('icno ');
  await settled(() => key('Enter'));
  await page.waitForFunction(() => document.querySelector('.tag-side [role=alert]')?.textContent.includes('Did you mean “icon”?'));
  await page.locator('.tag-line input').fill('');
  await key('Escape');
  assert.equal((await page.locator('.sum-side').last().innerText()).split('·')[0], sums.split('·')[0]);
});

test('undo takes back and redo does again', async () => {
  await cursorTo('tab-visits');
  const shipped = await ships();
  await settled(() => key('l'));
  await shipsAre(shipped - 1);
  await settled(() => key('z'));
  await shipsAre(shipped);
  await settled(() => key('Z'));
  await shipsAre(shipped - 1);
  await settled(() => key('z'));
  await shipsAre(shipped);
});

test('the picture says how near to a browser it ships, and marks what differs', async () => {
  await page.waitForFunction(() => /equal to the browser: \d+(\.\d+)?%/.test(document.querySelector('.caption').textContent));
  const marks = page.waitForResponse(/\/proofs\/[0-9a-f]{64}\.png\?s=/);
  await key('4');
  assert.ok(PNG.sync.read(await (await marks).body()).data.some((v, i) => i % 4 === 3 && v > 0), 'nothing is marked');
  assert.match(await page.locator('[aria-label="Lens"] [aria-pressed="true"]').innerText(), /differs/);
  await key('1');
});

test('picking in the picture picks in the ledger and goes one level in', async () => {
  const picture = await page.locator('.stage img').boundingBox();
  const at = [picture.x + picture.width * 230 / 375, picture.y + picture.height * 236 / 812];
  await page.mouse.click(...at);
  assert.equal(await cursorName(), 'moon-phase');
  await page.mouse.click(...at);
  assert.equal(await cursorName(), 'shade');
  await page.mouse.move(picture.x + 2, picture.y + picture.height * 415 / 812);
  await page.mouse.down();
  await page.mouse.move(picture.x + picture.width - 2, picture.y + picture.height * 512 / 812, { steps: 4 });
  await page.mouse.up();
  assert.deepEqual(await page.locator('.ledger-row.picked .cell-name strong').allInnerTexts(), ['forecast-card']);
});

test('a path taken twice blocks the build until the offered name is taken', async () => {
  await cursorTo('forecast-card');
  await settled(() => key('s'));
  await key('n');
  await page.waitForSelector('.name-input:focus');
  await page.keyboard.type('cloud');
  await settled(() => key('Enter'));
  await key('/');
  await page.keyboard.type('to:icons/sky ');
  await settled(() => key('Enter'));
  await page.waitForFunction(() => document.activeElement.matches('.rows'));
  await page.waitForSelector('text=1 must be settled first');
  assert.ok(await page.locator('button:has-text("Build the pack")').isDisabled());
  // Rows come in the order of the drawing: the later of the two is asked to change.
  await page.fill('.search input', 'Group 58');
  await page.locator('.ledger-row').first().click();
  await page.locator('.rows').focus();
  await key('Enter');
  await page.waitForSelector('text=would both be');
  await settled(() => page.locator('.finding.blocker button').click());
  await page.waitForSelector('text=must be settled', { state: 'hidden' });
  await page.fill('.search input', '');
  // Back to where the journey was.
  for (let i = 0; i < 4; i++) {
    await settled(() => page.locator('button:has-text("undo")').click());
  }
});

async function build() {
  const before = await page.locator('.build').count();
  await page.click('button:has-text("Build the pack")');
  await page.waitForURL(/deliveries/);
  await page.waitForFunction(n => document.querySelectorAll('.build').length > n
    && document.querySelector('.build').dataset.state === 'done', before, { timeout: 3_600_000 });
  const link = page.locator('.build').first().locator('a[download]');
  const response = await page.request.get(server.address + await link.getAttribute('href'));
  return { zip: await response.body(), text: await page.locator('.build').first().innerText() };
}

test('the zip holds what the platforms demand', async () => {
  await page.reload();
  await page.waitForSelector('.ledger-row');
  const { zip } = await build();
  const files = unzipSync(zip);
  const manifest = JSON.parse(Buffer.from(files['manifest.json']).toString());
  const schema = JSON.parse(readFileSync(join(root, 'docs/manifest.schema.json'), 'utf8'));
  const validate = new Ajv({ strict: true }).compile(schema);
  assert.ok(validate(manifest), JSON.stringify(validate.errors));
  assert.deepEqual(manifest.missing, []);

  const points = new Map();
  for (const file of manifest.files) {
    const bytes = Buffer.from(files[file.path]);
    assert.equal(bytes.length, file.bytes, file.path);
    assert.equal(createHash('sha256').update(bytes).digest('hex'), file.sha256);
    if (file.format === 'png') {
      const png = PNG.sync.read(bytes);
      assert.deepEqual([png.width, png.height], [file.width, file.height], file.path);
    }
    if (file.platform === 'web' && (file.scale ?? 1) === 1) {
      points.set(file.layer, [file.width, file.height]);
    }
  }
  // The moon of the tab bar is the drawing of the night's cloud, and has a name of its own.
  assert.equal(points.size, 14);
  for (const file of manifest.files) {
    const [width, height] = points.get(file.layer);
    assert.deepEqual([file.width, file.height], [Math.ceil(width * (file.scale ?? 1)), Math.ceil(height * (file.scale ?? 1))], file.path);
  }
  assert.deepEqual(points.get('battery'), [28, 28]);

  for (const { path } of manifest.files.filter(f => f.platform === 'android')) {
    assert.match(path, /^android\/res\/(drawable\/[a-z][a-z0-9_]*\.xml|drawable-(l|m|h|xh|xxh|xxxh)dpi\/[a-z][a-z0-9_]*\.(png|webp))$/);
  }
  for (const path of Object.keys(files).filter(f => f.startsWith('apple/Assets.xcassets/'))) {
    const folder = path.slice(0, path.lastIndexOf('/'));
    const contents = JSON.parse(Buffer.from(files[`${folder}/Contents.json`]).toString());
    assert.deepEqual(contents.info, { author: 'kalypto', version: 1 });
    if (!path.endsWith('.json')) {
      assert.ok(contents.images.some(i => `${folder}/${i.filename}` === path && i.idiom === 'universal'));
    }
  }
  for (const path of ['web/icons/sky/moon-night.svg', 'web/sprite.svg', 'web/pictures.html', 'apple/Assets.xcassets/icons/sky/cloud.imageset/cloud.svg', 'apple/Pictures.swift', 'android/Pictures.kt']) {
    assert.ok(files[path], path);
  }
  assert.ok(files['android/res/drawable/tab_visits.xml'] ?? files['android/res/drawable-hdpi/tab_visits.png']);
  assert.match(Buffer.from(files['web/sprite.svg']).toString(), /<symbol id="icons-sky-moon-night"/);
});

test('a second build of the same state is the same bytes and draws nothing', async () => {
  const first = await (await page.request.get(server.address + await page.locator('.build a[download]').first().getAttribute('href'))).body();
  const { zip, text } = await build();
  assert.ok(first.equals(zip));
  assert.match(text, /nothing had to be drawn/);
});

test('the pack shows every file with its real weight', async () => {
  await page.goto(`${server.address}/projects/1/pack`);
  await page.waitForSelector('.pack-card');
  assert.match(await page.locator('.sums').innerText(), /(\d+) of \1 drawn ahead/);
  assert.equal(await page.locator('.file:has-text("~")').count(), 0);
  await page.click('.tree button:has-text("sky/") >> nth=0');
  await page.waitForFunction(() => [...document.querySelectorAll('.shelf h2')].map(h => h.textContent).join() === 'apple/Assets.xcassets/icons/sky/');
  assert.deepEqual((await page.locator('.shelf .pack-card strong').allInnerTexts()).sort(), ['Moon Night', 'cloud', 'tab-moon']);
});

test('no page complained in its console', () => assert.deepEqual(problems, []));
