// What developers get besides the files: plates with their key, values in their own language, distances, what nobody gets, tokens, paper.
import assert from 'node:assert/strict';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { after, before, test } from 'node:test';
import { unzipSync } from 'fflate';
import { breaksNoRule, launch, newPage } from './browser.mjs';
import { root, serve } from './server.mjs';

let server, browser, page;
const errors = [];

before(async () => {
  server = await serve({ deliveries: true });
  browser = await launch();
  page = await newPage(browser, { viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce' });
  page.on('pageerror', error => errors.push(error.message));
  page.on('console', message => message.type() === 'error' && errors.push(message.text()));
});
after(async () => {
  await browser?.close();
  await server?.stop();
});

const go = (path, on = page) => on.goto(server.address + path);
const clean = (on = page) => breaksNoRule(on);
const delivered = async number => {
  await go('/projects/1/deliveries');
  await page.waitForFunction(n => [...document.querySelectorAll('.build')].some(b => b.dataset.state === 'done' && b.querySelector('.build-number').textContent.trim() === `${n}`), number);
};
const row = (name, on = page) => on.locator('.pin-row', { has: on.locator('.pin-name strong', { hasText: new RegExp(`^${name}$`) }) });
const said = async (name, on = page) => {
  const found = row(name, on);
  if (await found.locator('.pin-head').getAttribute('aria-expanded') !== 'true') {
    await found.locator('.pin-head').click();
  }
  await found.locator('.pin-detail').waitFor();
  return found;
};

test('a plate numbers what ships and what is built in code, and its key says all of it', async () => {
  await delivered(2);
  await page.locator('.build', { hasText: 'four icons more' }).getByRole('link', { name: 'Plates' }).click();
  await page.waitForSelector('.plate-pins.shown .pin');
  await clean();
  const rows = await page.locator('.pin-row').evaluateAll(rows => rows.map(r => Number(r.dataset.number)));
  assert.deepEqual([...rows].sort((a, b) => a - b), rows.map((_, i) => i + 1));
  // Of a shipped one: files, and the line for each platform.
  const bell = await said('bell');
  await bell.getByRole('button', { name: 'Compose' }).click();
  assert.match(await bell.locator('.pin-code').innerText(), /painterResource\(R\.drawable\.bell\)/);
  assert.match(await bell.locator('.pin-files').innerText(), /web\/icons\/bell\.svg/);
  assert.match(await page.locator('.foot .btn-next').innerText(), /Download for Android/);
  const android = unzipSync(new Uint8Array(await (await page.request.get(server.address + await page.locator('.foot .btn-next').getAttribute('href'))).body()));
  assert.ok(android['android/res/drawable/bell.xml'] && Object.keys(android).every(path => path.startsWith('android/')), Object.keys(android).join(' '));
  assert.match(await bell.locator('.pin-lies').innerText(), /lies at\s+327, 72\s/);
  // Of words: the words, and their values; a value with a name says it.
  const phase = await said('“Waxing gibbous”');
  assert.equal(await phase.locator('.pin-words pre').innerText(), 'Waxing gibbous');
  assert.match(await phase.locator('.pin-values').innerText(), /Figtree, sans-serif[\s\S]*600[\s\S]*18 pt[\s\S]*#f3e9d2 text-pale-yellow[\s\S]*376 pt/);
  await phase.getByRole('button', { name: 'CSS' }).click();
  assert.match(await phase.locator('.pin-code').innerText(), /color: var\(--text-pale-yellow\);/);
  await clean();
  assert.deepEqual(errors, []);
});

test('the plate is used by keyboard alone: from number to number, measured, on a grid, what nobody gets', async () => {
  await page.keyboard.press('Escape');
  await page.keyboard.press('ArrowDown');
  await page.waitForSelector('.pin-row.here .pin-detail');
  const first = Number(await page.locator('.pin-row.here').getAttribute('data-number'));
  await page.keyboard.press('m');
  await page.keyboard.press('ArrowDown');
  await page.waitForFunction(() => document.querySelector('.plate-measure').textContent.includes('(pt)'));
  assert.match(await page.locator('.plate-measure').innerText(), new RegExp(`^${first} to \\d+: .*(across|down|inside)`));
  assert.equal(await page.locator('svg.plate.wide .plate-here').count(), 2);
  await page.keyboard.press('m');
  await page.keyboard.press('r');
  assert.match(await page.locator('svg.plate.wide .plate-grid').getAttribute('fill'), /grid-wide-4/);
  await page.keyboard.press('u');
  assert.ok(await page.locator('svg.plate.wide .plate-missing rect').first().isVisible());
  assert.match(await page.locator('.foot').innerText(), /parts reach nobody/);
  // A place on the picture picks the smallest that lies there.
  await page.keyboard.press('Escape');
  const picture = await page.locator('svg.plate.wide .plate-picture').boundingBox();
  const scale = picture.width / 375;
  await page.mouse.click(picture.x + 336 * scale, picture.y + 82 * scale);
  await page.waitForSelector('.pin-row.here .pin-detail');
  assert.match(await page.locator('.pin-row.here .pin-name').innerText(), /^bell/);
  await page.locator('button[data-show="new"]').click();
  assert.deepEqual(await page.locator('.pin-row:visible .pin-name strong').allInnerTexts(), ['cloud-night', 'tab-moon']);
  assert.deepEqual(errors, []);
});

test('on a phone a developer finds the bell by thumb and copies its line', async () => {
  const phone = await newPage(browser, { viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true, permissions: ['clipboard-read', 'clipboard-write'] });
  await go('/projects/1/deliveries/2/plates', phone);
  await phone.waitForSelector('svg.plate.narrow .pin');
  assert.ok(await phone.evaluate(() => document.documentElement.scrollWidth <= innerWidth), 'no sideways scrolling');
  const number = await row('bell', phone).getAttribute('data-number');
  await phone.locator(`svg.plate.narrow .plate-pins.shown .pin[data-number="${number}"] .pin-shape`).tap();
  const bell = row('bell', phone);
  await bell.locator('.pin-detail').waitFor();
  await bell.getByRole('button', { name: 'Compose' }).tap();
  await bell.getByRole('button', { name: /^copy/ }).tap();
  await phone.waitForFunction(() => document.querySelector('.plates .foot').innerText.includes('Copied'));
  assert.match(await phone.evaluate(() => navigator.clipboard.readText()), /^Image\(\n {4}painter = painterResource\(R\.drawable\.bell\)/);
  await clean(phone);
  await phone.close();
});

test('a plate of an older delivery stays as it was and says that there is a newer one', async () => {
  await go('/projects/1/deliveries/1/plates');
  await page.waitForSelector('.plate-pins.shown .pin');
  assert.match(await page.locator('.handover-news').innerText(), /Delivery 2 is newer/);
  assert.equal(await row('moon-tonight').count(), 0);
  assert.equal(await row('moon-phase').count(), 1);
  await go('/projects/1/handover');
  assert.match(page.url(), /deliveries\/2\/plates\/\d+\/\d+$/);
  // Neither a number of another delivery nor another project's answers.
  assert.equal((await page.request.get(`${server.address}/projects/1/deliveries/99/plates`)).status(), 404);
  assert.equal((await page.request.get(`${server.address}/api/projects/7/deliveries/1/plates/1/1/5`)).status(), 404);
});

test('tokens are named by the team, told in the next delivery and lie in the pack for every platform', async () => {
  await go('/projects/1/tokens');
  await page.waitForSelector('.token');
  await clean();
  const names = () => page.locator('.token').evaluateAll(all => all.map(t => t.dataset.token));
  assert.ok((await names()).includes('text-pale-yellow'));
  await page.locator('[data-token="text-pale-yellow"] .token-name').fill('Cream');
  await page.keyboard.press('Tab');
  await page.waitForSelector('[data-token="cream"]');
  await page.locator('[data-token="radius"]').getByRole('button', { name: 'no token' }).click();
  await page.waitForSelector('.token-refused li');
  assert.ok(!(await names()).includes('radius'));
  // What was delivered is as it was.
  await go('/projects/1/deliveries/2/tokens');
  await page.waitForSelector('.token');
  assert.ok((await names()).includes('text-pale-yellow'));
  await clean();
  await go('/projects/1/pack');
  await page.waitForFunction(() => document.querySelector('.btn-next')?.disabled === false);
  await page.fill('label.line input', 'with tokens');
  await page.keyboard.press('Enter');
  await page.waitForURL(/deliveries$/);
  await delivered(3);
  const build = await page.locator('.build').first().getAttribute('data-build');
  const files = unzipSync(new Uint8Array(await (await page.request.get(`${server.address}/projects/1/builds/${build}.zip`)).body()));
  const css = new TextDecoder().decode(files['web/tokens.css']);
  assert.match(css, /--cream: #f3e9d2;/);
  assert.doesNotMatch(css, /--radius/);
  assert.ok(files['apple/Tokens.swift'] && files['android/Tokens.kt'] && files['web/tokens.json']);
  await go('/projects/1/deliveries/3/plates');
  assert.match(await (await said('“Waxing gibbous”')).locator('.pin-values').innerText(), /cream/);
  const folder = mkdtempSync(join(tmpdir(), 'kalypto-tokens-'));
  writeFileSync(join(folder, 'tokens.css'), css);
  writeFileSync(join(folder, '.stylelintrc.json'), JSON.stringify({ extends: join(root, 'tests/browser/node_modules/stylelint-config-standard') }));
  execFileSync(join(root, 'tests/browser/node_modules/.bin/stylelint'), ['--config', join(folder, '.stylelintrc.json'), join(folder, 'tokens.css')], { stdio: 'pipe' });
});

test('what nobody gets is a lens on the bench too', async () => {
  await go('/projects/1/bench/1/1');
  await page.waitForSelector('.ledger-row');
  const nobody = async () => (await page.evaluate(() => kalypto.get('/api/projects/1/bench/1/1'))).rows.filter(r => r.nobody).map(r => r.drawnName ?? r.name);
  const before = await nobody();
  assert.ok(before.includes('saturn') && !before.includes('bell'));
  await page.keyboard.press('5');
  assert.equal(await page.getByRole('button', { name: /nobody gets/ }).getAttribute('aria-pressed'), 'true');
  await page.evaluate(async () => {
    const { rows } = await kalypto.get('/api/projects/1/bench/1/1');
    await kalypto.post('/api/projects/1/edit', { design: 1, screen: 1, layers: [rows.find(r => (r.drawnName ?? r.name) === 'saturn').ordinal], decision: 'Leave' });
  });
  assert.deepEqual(await nobody(), before.filter(n => n !== 'saturn'));
});

test('the device shows a screen made of delivered files and code alone, in its own fonts, at any density', async () => {
  await go('/projects/1/deliveries/2/device');
  const frame = page.frameLocator('iframe');
  await frame.locator('img[alt="bell"]').waitFor();
  await clean();
  const seen = () => frame.locator('body').evaluate(async body => {
    await document.fonts.ready;
    await Promise.all([...body.querySelectorAll('img')].map(img => img.decode()));
    return {
      words: [...body.querySelectorAll('.screen > div')].map(d => d.textContent).filter(Boolean), fonts: [...document.fonts].filter(f => f.status === 'loaded').map(f => f.family),
      moon: body.querySelector('img[alt="moon-tonight"]').naturalWidth, lost: body.querySelectorAll('.lost').length, scripts: body.ownerDocument.scripts.length,
    };
  });
  const twice = await seen();
  assert.ok(['Tonight', 'Waxing gibbous', '22:00 · terrace · 11 places'].every(words => twice.words.includes(words)), twice.words.join(' | '));
  assert.ok(twice.fonts.some(f => f.includes('Figtree')));
  assert.deepEqual([twice.moon, twice.lost, twice.scripts], [530, 0, 0]);
  await page.keyboard.press('3');
  await page.locator('iframe[src*="density=3"]').waitFor();
  await frame.locator('img[src*="3x"]').first().waitFor();
  assert.equal((await seen()).moon, 795);
  assert.match(await page.locator('.foot .mono').innerText(), /1125 × 2436 px at 3x/);
  // Where the drawing has words, so has the device: the picture of the drawing lies over it, line by line.
  await page.keyboard.press('d');
  assert.ok(await page.locator('.device-sheet img').evaluate(async img => { await img.decode(); return !img.hidden && Math.abs(img.getBoundingClientRect().width - img.previousElementSibling.getBoundingClientRect().width) < 1; }));
  await page.keyboard.press('ArrowRight');
  await page.waitForURL(/device\/1\/\d+$/);
  await page.locator('.tab[aria-current="page"]', { hasText: 'Book a place' }).waitFor();
  assert.equal((await page.request.get(`${server.address}/projects/1/deliveries/2/device/file?path=../../etc/passwd`)).status(), 404);
});

test('on paper each screen is a sheet, with its numbers and words as text', async () => {
  await go('/projects/1/deliveries/2/plates/print');
  await page.waitForSelector('.sheet');
  await clean();
  const pdf = await page.pdf({ preferCSSPageSize: true, printBackground: true });
  const file = join(mkdtempSync(join(tmpdir(), 'kalypto-paper-')), 'plates.pdf');
  writeFileSync(file, pdf);
  const text = execFileSync('pdftotext', ['-layout', file, '-']).toString();
  assert.match(text, /Tonight[\s\S]*Pictures[\s\S]*bell[\s\S]*Built in code[\s\S]*Waxing gibbous/);
  assert.ok(!text.includes('what nobody gets'));
  assert.deepEqual(errors, []);
});
