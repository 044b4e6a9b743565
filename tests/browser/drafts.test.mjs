// The design changes: the next draft comes in, what it changed is said by keyboard alone, and what differs is delivered.
import assert from 'node:assert/strict';
import { mkdtempSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { after, before, test } from 'node:test';
import Ajv from 'ajv/dist/2020.js';
import { unzipSync } from 'fflate';
import { breaksNoRule, launch, newPage, patience, press } from './browser.mjs';
import { root, serve } from './server.mjs';

let server, browser, page;
const errors = [];
// A checkout of the developers, with a file of their own.
const checkout = mkdtempSync(join(tmpdir(), 'kalypto-checkout-'));

before(async () => {
  writeFileSync(join(checkout, 'README.txt'), 'of the developers');
  server = await serve({ more: ['--Deliver:0', checkout] });
  browser = await launch();
  page = await newPage(browser, { viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce' });
  page.on('pageerror', error => errors.push(error.message));
});
after(async () => {
  await browser?.close();
  await server?.stop();
});

const go = path => page.goto(server.address + path);
const api = path => page.evaluate(p => kalypto.get(p), `/api/projects/1/${path}`);
const ordinals = async () => Object.fromEntries((await api('bench/1/1')).rows.map(r => [r.drawnName ?? r.name, r.ordinal]));
const deliver = async line => {
  await go('/projects/1/pack');
  await page.waitForFunction(() => document.querySelector('.btn-next')?.disabled === false);
  await page.fill('label.line input', line);
  await page.keyboard.press('Enter');
  await page.waitForURL(/deliveries$/);
  await page.waitForFunction(line => [...document.querySelectorAll('.build')].some(b => b.innerText.includes(line) && b.dataset.state === 'done'), line);
};
const keeps = (schema, json) => {
  const validate = new Ajv({ strict: false }).compile(JSON.parse(readFileSync(join(root, `docs/${schema}.schema.json`), 'utf8')));
  assert.ok(validate(json), JSON.stringify(validate.errors));
};
const row = name => page.locator('.change', { has: page.locator('strong', { hasText: new RegExp(`^${name}$`) }) });
const clean = () => breaksNoRule(page);

test('the first delivery is what ships of the first draft', async () => {
  await go('/projects/1/bench/1/1');
  await page.waitForSelector('.ledger-row');
  const layer = await ordinals();
  for (const body of [{ layers: [layer.saturn], decision: 'Ship' }, { layers: [layer.saturn], tags: 'icon' }, { layers: [layer['cloud-night']], decision: 'Ship' }, { layers: [layer['cloud-night']], tags: 'icon' }]) {
    await page.evaluate(body => kalypto.post('/api/projects/1/edit', { design: 1, screen: 1, ...body }), body);
  }
  await deliver('for the first release');
  assert.match(await page.locator('.build').first().innerText(), /^1\s+for the first release/);
});

test('a newer drawing carries everything over, and what is unclear is said by keyboard alone', async () => {
  await go('/projects/1');
  await press(page.locator('button', { hasText: 'Bring the newer drawing in' }), 'Enter');
  await page.waitForURL(/changes$/);
  await page.waitForSelector('.change');
  assert.match(await page.locator('.changes-head').innerText(), /Visitor app, draft 2\s+against draft 1/);
  // Another note stands where one stood: nothing of it is taken for the same unasked.
  const asked = (await api('designs/1/changes')).rows.filter(r => r.group === 'asked').map(r => r.name);
  assert.deepEqual(asked, ['queue note']);
  await clean();
  await press(page.locator('.foot .btn-next:visible', { hasText: 'Say the last one' }), 'Enter');
  await page.waitForFunction(() => document.activeElement.classList.contains('changes-ledger'));
  await page.keyboard.press('x');
  await page.waitForFunction(() => !document.querySelector('.changes-head').innerText.includes('to say'));
  // Said wrongly: Z takes it back, and it is asked again.
  await page.keyboard.press('z');
  await page.waitForFunction(() => document.querySelector('.changes-head').innerText.includes('1 to say'));
  await row('queue note').getByRole('button', { name: 'another' }).click();
  await page.waitForFunction(() => !document.querySelector('.changes-head').innerText.includes('to say'));
  const { rows } = await api('designs/1/changes');
  const of = group => rows.filter(r => r.group === group).map(r => r.name).sort();
  assert.deepEqual(of('gone'), ['cloud-night', 'queue note']);
  assert.deepEqual(of('new'), ['My visits', 'waiting time']);
  assert.deepEqual(of('renamed'), ['Path 4 copy 2', 'Telescope', 'moon-phase', 'row', 'saturn']);
  assert.ok(['Group 41', 'Group 42', 'Group 43', 'bell', 'book-button'].every(n => of('changed').includes(n)), of('changed').join());
  assert.deepEqual(of('moved'), ['forecast-card']);
  // Files keep the names that they were delivered under, until somebody takes the new one.
  while (await row('moon-phase').getAttribute('class').then(c => !c.includes('here'))) {
    await page.keyboard.press('ArrowDown');
  }
  await page.keyboard.press('n');
  await page.waitForFunction(() => ![...document.querySelectorAll('.change')].some(c => c.innerText.includes('moon-phase') && c.innerText.includes('take the new name')
    && c.querySelector('.change-keys:last-of-type').checkVisibility()));
  assert.deepEqual([...new Set((await api('pack?platform=web')).files.map(f => f.file.name.split(/[.@]/)[0]).filter(n => /moon|saturn/.test(n)))].sort(), ['moon-tonight', 'saturn', 'tab-moon']);
  // The pictures of the screen in both drafts lie over each other.
  const screens = await page.evaluate(() => [...document.querySelectorAll('.over-sheet img')].map(i => i.naturalWidth > 0));
  assert.equal(screens.length, 2);
});

test('the second delivery differs in just what changed, and as a zip of that alone', async () => {
  await deliver('after a week');
  await press(page.locator('.build a', { hasText: 'after a week' }), 'Enter');
  await page.waitForURL(/deliveries\/2$/);
  await page.waitForSelector('.change');
  const { files } = await api('deliveries/2');
  const layers = what => [...new Set(files.filter(f => f.layer && f.what.includes(what)).map(f => f.layer))].sort();
  assert.deepEqual(layers('gone'), ['cloud-night']);
  // The same drawing under a name of its own was a picture before and stays one; a star that nobody named is one of its own now.
  assert.deepEqual(layers('new'), ['Group 41']);
  assert.deepEqual(layers('changed'), ['bell', 'book-button']);
  assert.deepEqual(layers('renamed'), ['moon-tonight']);
  assert.ok(files.filter(f => f.layer === 'planet-saturn').every(f => !f.what.length), 'the icon that is only called otherwise in the drawing is the same file');
  // Opened by keyboard: a changed picture, before and now, and how much of it.
  while (!await page.evaluate(() => /button.*\.(png|webp)/.test(document.querySelector('.two strong').innerText) && document.querySelector('.two [role=status]').innerText.includes('%'))) {
    const before = await page.locator('.two strong').innerText();
    if (!/button.*\.(png|webp)/.test(before)) {
      await page.keyboard.press('ArrowDown');
    }
    await page.waitForTimeout(50);
  }
  await page.waitForFunction(() => [...document.querySelectorAll('.two-beside img')].filter(i => i.naturalWidth > 0).length === 2);
  // Over each other, and as much of the one as the slider says.
  await page.getByRole('button', { name: 'over each other' }).click();
  await page.locator('.over-slider input').fill('25');
  await page.waitForFunction(() => document.querySelector('.two-top').style.clipPath.includes('75%'));
  await page.getByRole('button', { name: 'beside each other' }).click();
  await page.locator('.two-beside').waitFor();
  await clean();
  const zip = unzipSync(await (await page.request.get(server.address + await page.locator('.foot a.btn-next').getAttribute('href'))).body());
  const differing = files.filter(f => f.what.length && !f.what.includes('gone')).map(f => f.path).sort();
  assert.deepEqual(Object.keys(zip).filter(n => !/^changes\.json$|^CHANGES\.md$/.test(n)).sort(), differing);
  const list = JSON.parse(new TextDecoder().decode(zip['changes.json']));
  keeps('changes', list);
  assert.deepEqual([list.from, list.to, list.for, list.files.length], [1, 2, 'after a week', files.filter(f => f.what.length).length]);
  assert.match(new TextDecoder().decode(zip['CHANGES.md']), /## Gone/);
});

test('a place in a checkout holds exactly the delivery, and what somebody changed there is asked about', async () => {
  await go('/projects/1/deliveries');
  await page.fill('.place-new input', 'src/assets');
  await page.locator('.place-new select').last().selectOption({ label: 'only Web' });
  await press(page.locator('.place-new button'), 'Enter');
  await page.waitForSelector('.place');
  // A refusal is shown, so that a wait ends on it too.
  const until = async done => {
    await page.waitForFunction(t => document.querySelector('.place-look p').innerText.includes(t) || document.querySelector('.places > [role=alert]').innerText, done);
    assert.equal(await page.locator('.places > [role=alert]').innerText(), '');
  };
  const say = async (delivery, done) => {
    await page.locator('.place > label select').selectOption(String(delivery));
    await press(page.locator('.place button', { hasText: 'Look what it would do' }), 'Enter');
    await until(done);
  };
  const put = async delivery => {
    // What was chosen holds once the button does.
    await press(page.locator('.place-look button:enabled', { hasText: `Deliver ${delivery} there` }), 'Enter');
    await until(`Delivery ${delivery} lies there now`);
  };
  const lie = () => readdirSync(join(checkout, 'src/assets'), { recursive: true, withFileTypes: true }).filter(f => f.isFile()).map(f => join(f.parentPath, f.name).slice(join(checkout, 'src/assets/').length)).filter(f => f !== 'kalypto.lock.json').sort();
  const delivered = async number => (await api(`deliveries/${number}`)).files.filter(f => f.platform === 'Web' && !f.what.includes('gone')).map(f => f.path.slice('web/'.length)).sort();
  await say(1, 'Nothing else in the folder is touched');
  await put(1);
  assert.deepEqual(lie(), await delivered(1));
  writeFileSync(join(checkout, 'src/assets/icons/bell.svg'), 'by hand');
  await say(2, 'Say first what becomes of 1 file');
  assert.match(await page.locator('.place-look').innerText(), /icons\/bell\.svg: changed by hand since/);
  assert.equal(readFileSync(join(checkout, 'src/assets/icons/bell.svg'), 'utf8'), 'by hand');
  await clean();
  await press(page.locator('.place-look input[value=overwrite]'), 'Space');
  await put(2);
  assert.deepEqual(lie(), await delivered(2));
  keeps('lock', JSON.parse(readFileSync(join(checkout, 'src/assets/kalypto.lock.json'), 'utf8')));
  assert.deepEqual(readdirSync(checkout).sort(), ['README.txt', 'src']);
  assert.equal(readFileSync(join(checkout, 'README.txt'), 'utf8'), 'of the developers');
});

test('a delivery of the same again differs in nothing, and an old one is made again', async () => {
  await deliver('once more');
  await go('/projects/1/deliveries/3');
  await page.waitForFunction(() => document.querySelector('.foot').innerText.includes('nothing differs from delivery 2'));
  await go('/projects/1/deliveries/1');
  await page.waitForSelector('.change');
  await page.locator('button', { hasText: 'make it again' }).click();
  await page.waitForURL(/deliveries$/);
  await page.waitForFunction(() => document.querySelector('.build')?.dataset.state === 'done' && document.querySelector('.build').innerText.includes('delivery 1 made again'));
  await go('/projects/1/deliveries/4?with=1');
  await page.waitForFunction(() => document.querySelector('.foot').innerText.includes('nothing differs from delivery 1'));
  const zip = async n => Buffer.from(await (await page.request.get(`${server.address}/projects/1/builds/${n}.zip`)).body());
  const builds = await api('builds');
  const of = number => builds.find(b => b.number === number).id;
  assert.ok((await zip(of(1))).equals(await zip(of(4))));
});

test('a draft goes back, a dropped file of the same name is the next draft, and another design when one says so', async () => {
  await go('/projects/1/designs/1/changes');
  await page.waitForSelector('.change');
  await page.locator('button', { hasText: 'Back to draft 1' }).click();
  await page.waitForFunction(() => /draft 1/.test(document.querySelector('.changes-head h1')?.innerText));
  await go('/projects/1');
  const board = number => ({ name: 'Star map.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(`<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 100"><rect id="sky" width="100" height="100" fill="#123"/><circle id="star" cx="${number}" cy="20" r="4" fill="#fff"/></svg>`) });
  await page.setInputFiles('.foot input[type=file]', board(20));
  // The page is loaded anew; what is dropped before its scripts run is lost.
  await page.waitForFunction(() => [...document.querySelectorAll('.design h1')].some(h => h.innerText === 'Star map') && document.querySelector('.foot input[type=file]').closest('[x-data]')._x_dataStack, null, { timeout: patience });
  await page.setInputFiles('.foot input[type=file]', board(60));
  await page.waitForURL(/changes$/);
  await page.waitForFunction(() => document.querySelector('.change')?.innerText.includes('star'));
  assert.match(await row('star').innerText(), /moved 40 pt right/);
  await page.locator('button', { hasText: 'it is another design' }).click();
  await page.waitForURL(/projects\/1$/);
  assert.deepEqual((await page.locator('.design h1').allInnerTexts()).slice(-2), ['Star map', 'Star map 2']);
});

test('a newer drawing by the button of its design, saved at twice the size, ships at the sizes of before', async () => {
  const sign = times => ({ name: `sign at ${times}.svg`, mimeType: 'image/svg+xml', buffer: Buffer.from(`<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${90 * times} ${90 * times}">${[1, 2, 3, 4, 5].map(n => `<rect id="bar${n}" x="${9 * n * times}" y="${9 * times}" width="${5 * times}" height="${(9 + n) * times}" fill="#12${n}"/>`).join('')}</svg>`) });
  const design = page.locator('.design', { hasText: 'Sign at 1' });
  await page.setInputFiles('.foot input[type=file]', sign(1));
  await design.waitFor();
  await page.waitForFunction(() => document.querySelector('.foot input[type=file]').closest('[x-data]')._x_dataStack);
  // As the button does: it opens the choice of a file.
  const [choice] = await Promise.all([page.waitForEvent('filechooser'), design.getByText('a newer drawing').click()]);
  await choice.setFiles(sign(2));
  await page.waitForURL(/changes$/);
  await page.waitForFunction(() => /draft 2/.test(document.querySelector('.changes-head h1')?.innerText));
  assert.match(await page.locator('.changes-head').innerText(), /drawn at 2x, draft 1 at 1x/);
  assert.equal(await page.locator('.change').count(), 0);
  await go('/projects/1');
  assert.equal(await design.locator('.choice [aria-pressed="true"]').innerText(), '2x');
  assert.deepEqual(errors, []);
});
