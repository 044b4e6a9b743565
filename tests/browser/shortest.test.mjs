// The shortest way: from a dropped file to just three pictures, and what keys it takes.
import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { after, before, test } from 'node:test';
import { unzipSync } from 'fflate';
import { PNG } from 'pngjs';
import { breaksNoRule, launch, newPage } from './browser.mjs';
import { serve } from './server.mjs';

const patience = Number(process.env.KALYPTO_TEST_PATIENCE ?? 120_000);
let server, browser, page;
const problems = [];
before(async () => {
  server = await serve({ demo: false });
  browser = await launch();
  page = await newPage(browser);
  page.on('console', m => m.type() === 'error' && problems.push(m.text()));
  page.on('pageerror', e => problems.push(e.message));
});
after(async () => {
  await browser?.close();
  await server?.stop();
});

const signs = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 300 100">
  <path id="bell" d="M10 10h20v24H10z" fill="#173a45"/><path id="moon" d="M60 10h30v30z" fill="#2c6e54"/><circle id="comet" cx="140" cy="30" r="12" fill="#a8690f"/>
  <text id="title" x="200" y="30" font-family="Inter" font-size="16">Tonight</text>
  <g id="foot"><path id="anchor" d="M200 60h20v24z" fill="#173a45"/><path id="buoy" d="M240 60h20v14z" fill="#a8690f"/></g></svg>`;

test('three picked layers are three PNGs at 1x within five presses', async () => {
  await page.goto(server.address);
  await page.setInputFiles('.foot input[type=file]', { name: 'signs.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(signs) });
  await page.waitForURL(/projects\/1$/);
  await page.goto(server.address + await page.locator('.screen-face').getAttribute('href'));
  await page.waitForSelector('.ledger-row');
  for (const name of ['bell', 'moon', 'comet']) {
    await page.locator('.ledger-row', { hasText: name }).click({ modifiers: ['Control'] });
  }
  let presses = 0;
  const press = async key => {
    presses++;
    await page.keyboard.press(key);
  };
  await press('g');
  await page.waitForFunction(() => /^3 files/.test(document.querySelector('.get [role=status]')?.textContent ?? ''), null, { timeout: patience });
  const download = page.waitForEvent('download', { timeout: patience });
  await press('Enter');
  const files = unzipSync(readFileSync(await (await download).path()));
  assert.deepEqual(Object.keys(files).sort(), ['bell.png', 'comet.png', 'moon.png']);
  const { width, height } = PNG.sync.read(Buffer.from(files['bell.png']));
  assert.deepEqual([width, height], [20, 24]);
  console.log(`# from picked layers to three PNGs: ${presses} presses`);
  assert.ok(presses <= 5);
  // Nothing was decided by it, and what is not understood is told.
  assert.equal(await page.locator('.ledger-row .sign.ship').count(), 0);
  await page.keyboard.press('g');
  await page.fill('.get input', 'pgn@1x');
  await page.waitForFunction(() => document.querySelector('.get [role=status]')?.textContent.includes('png'), null, { timeout: patience });
  await breaksNoRule(page);
  await page.fill('.get input', 'svg png@1x,3x');
  await page.waitForFunction(() => /^9 files/.test(document.querySelector('.get [role=status]')?.textContent ?? ''), null, { timeout: patience });
});

test('a board of 300 layers becomes a pack by keyboard alone', async () => {
  const marks = Array.from({ length: 300 }, (_, i) => `<path id="mark-${i + 1}" d="M${(i % 20) * 50 + 10} ${Math.floor(i / 20) * 50 + 10}h${12 + i % 13}v${12 + i % 7}l-4 ${i % 5}z" fill="#173a45"/>`);
  await page.goto(server.address);
  await page.setInputFiles('.foot input[type=file]', { name: 'marks.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(`<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 1000 800">${marks.join('')}</svg>`) });
  await page.waitForURL(/projects\/2$/);
  await page.goto(server.address + await page.locator('.screen-face').getAttribute('href'));
  await page.waitForSelector('.ledger-row');
  let presses = 0;
  const press = async (...keys) => {
    for (const key of keys) {
      presses++;
      await page.keyboard.press(key);
    }
  };
  const says = text => page.waitForFunction(t => document.querySelector('.bench-foot').textContent.includes(t), text, { timeout: patience });
  // The screen itself stays open: all rows below it are picked, shipped and tagged, then built by name.
  await press('f', ...'mark', 'Enter', '*', 's');
  await says('300 layers →');
  await press('/', ...'icon', 'Enter');
  await page.waitForFunction(() => [...document.querySelectorAll('.cell-kind')].filter(c => c.textContent === 'icon').length > 5, null, { timeout: patience });
  await page.locator('.rows').focus();
  await press(';', ...'build the', 'Enter');
  await page.waitForURL(/deliveries$/);
  await page.waitForFunction(() => (document.querySelector('.build')?.dataset.state ?? 'running') !== 'running', null, { timeout: 4 * patience });
  assert.equal(await page.locator('.build').first().getAttribute('data-state'), 'done');
  const zip = await page.request.get(server.address + await page.locator('.build a[download]').first().getAttribute('href'));
  const paths = Object.keys(unzipSync(await zip.body()));
  assert.equal(paths.filter(f => /^web\/mark-\d+\.svg$/.test(f)).length, 300);
  console.log(`# from a board of 300 layers to its pack: ${presses} presses`);
  assert.ok(presses < 40);
});

test('Build is few stops of Tab away on a pack of hundreds of files, and one key; arrows move within lists', async () => {
  await page.goto(`${server.address}/projects/2/pack`);
  await page.waitForFunction(() => document.querySelectorAll('.pack-card').length > 50, null, { timeout: patience });
  await page.waitForFunction(() => document.querySelectorAll('.shelf a[tabindex="0"]').length === 1, null, { timeout: patience });
  let stops = 0;
  await page.locator('body').focus();
  while (!await page.evaluate(() => document.activeElement.matches('.pack .btn-next')) && stops < 100) {
    await page.keyboard.press('Tab');
    stops++;
  }
  console.log(`# from the top of a pack of 300 files to Build: ${stops} stops of Tab`);
  assert.ok(stops < 40, `${stops}`);
  // Within a list arrows move, and coming back leads to where one was.
  await page.locator('.shelf a[tabindex="0"]').focus();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowDown');
  const where = await page.evaluate(() => document.activeElement.getAttribute('href'));
  await page.keyboard.press('Tab');
  assert.ok(!await page.evaluate(() => !!document.activeElement.closest('.shelf a')));
  await page.keyboard.press('Shift+Tab');
  assert.equal(await page.evaluate(() => document.activeElement.getAttribute('href')), where);
  await page.keyboard.press('b');
  assert.ok(await page.evaluate(() => document.activeElement.matches('.pack .btn-next')));
  await page.keyboard.press('v');
  await page.waitForSelector('.pack-list tbody tr');
  await breaksNoRule(page);
  // On the bench: the next filter, the rules, the button that builds.
  await page.goto(server.address + '/projects/2');
  await page.goto(server.address + await page.locator('.screen-face').getAttribute('href'));
  await page.waitForSelector('.ledger-row');
  await page.keyboard.press('v');
  assert.equal(await page.locator('.ledger-tools button[aria-pressed=true]').first().textContent(), 'open');
  await page.keyboard.press('u');
  await page.waitForFunction(() => document.activeElement.dataset?.rule, null, { timeout: patience });
  await page.keyboard.press('b');
  assert.ok(await page.evaluate(() => document.activeElement.matches('.bench .btn-next')));
});

// What Tab reaches of the rows of a list, and how many rows that is.
const reached = (rows) => page.evaluate(rows => {
  const held = [...document.querySelectorAll(rows)].filter(r => r.checkVisibility());
  const open = held.map(r => [...r.querySelectorAll('a[href], button, input, select, [tabindex]')].filter(t => t.tabIndex === 0 && t.checkVisibility()).length);
  return { all: held.length, open: open.filter(n => n > 0).length, most: Math.max(...open) };
}, rows);

test('findings and numbers of a plate are one row of Tab, and a settled finding leaves one in its place', async () => {
  const signs = ['bell', 'moon', 'comet', 'anchor', 'buoy'].map((name, i) => `<g id="${name}"><path d="M${i * 50 + 10} 10l24 2${i}l-9 7z" fill="#173a45"/></g>`);
  await page.goto(server.address);
  await page.setInputFiles('.foot input[type=file]', { name: 'open.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(`<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 300 100">${signs.join('')}</svg>`) });
  await page.waitForURL(/projects\/3$/);
  await page.goto(`${server.address}/projects/3/checks`);
  await page.waitForSelector('.check-block li a', { timeout: patience });
  await page.waitForFunction(() => document.querySelectorAll('.check-block li a[tabindex="0"]').length === 1, null, { timeout: patience });
  const findings = await reached('.check-block li');
  assert.ok(findings.all > 3, JSON.stringify(findings));
  assert.equal(findings.open, 1);
  await page.locator('.check-block li a[tabindex="0"]').focus();
  const first = await page.evaluate(() => document.activeElement.textContent);
  await page.keyboard.press('ArrowDown');
  assert.ok(await page.evaluate(said => document.activeElement.matches('.check-block li a') && document.activeElement.textContent !== said, first));
  await page.keyboard.press('ArrowUp');
  // It is fine, and why: one stands on the next finding then.
  await page.locator('.check-block li', { hasText: first }).locator('button', { hasText: 'it is fine' }).click();
  await page.keyboard.type('as drawn');
  await page.keyboard.press('Enter');
  await page.waitForFunction(said => ![...document.querySelectorAll('.check-block[class*=" "] li a')].some(a => a.textContent === said), first, { timeout: patience });
  await page.waitForFunction(() => document.activeElement.closest('.check-block li'), null, { timeout: patience });
  await breaksNoRule(page);

  await page.goto(`${server.address}/projects/2/deliveries/1/plates`);
  await page.waitForSelector('.pin-row');
  await page.waitForFunction(() => document.querySelectorAll('.pin-head[tabindex="0"]').length === 1, null, { timeout: patience });
  assert.deepEqual(await reached('.pin-row'), { all: 300, open: 1, most: 1 });
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowDown');
  await page.waitForFunction(() => document.querySelector('.pin-row.here .pin-head')?.tabIndex === 0 && document.querySelector('.pin-row.here pre')?.tabIndex === 0, null, { timeout: patience });
  assert.equal((await reached('.pin-row')).open, 1);
});

test('everything that can be done on a page is found by its name, without a mouse', async () => {
  await page.goto(`${server.address}/projects/1/pack`);
  await page.waitForSelector('.pack-card, .empty');
  await page.keyboard.press(';');
  await breaksNoRule(page);
  await page.keyboard.type('recip');
  await page.keyboard.press('Enter');
  await page.waitForURL(/recipes$/);
  await page.keyboard.press(';');
  await page.keyboard.type('no such thing');
  await page.waitForSelector('.actions [role=status]:has-text("Nothing here is called so")');
  await page.keyboard.press('Escape');
  assert.equal(await page.locator('.actions').evaluate(d => d.open), false);
});

test('a server that does not answer stays told until it does, and all decided is what the filter says', async () => {
  await page.goto(server.address + '/projects/1');
  await page.goto(server.address + await page.locator('.screen-face').getAttribute('href'));
  await page.waitForSelector('.ledger-row');
  const complained = problems.length;
  await page.context().setOffline(true);
  await page.keyboard.press('*');
  await page.keyboard.press('s');
  await page.waitForSelector('.silence[role=alert]', { timeout: patience });
  // It is there as long as nothing answers, whatever else is pressed meanwhile.
  await page.keyboard.press('l');
  await page.waitForFunction(() => document.querySelector('[role=status]').textContent !== null && document.querySelectorAll('.silence').length === 1, null, { timeout: patience });
  await breaksNoRule(page);
  await page.context().setOffline(false);
  await page.waitForFunction(() => !document.querySelector('.silence'), null, { timeout: patience });
  problems.splice(complained);
  // A group of which all is decided waits for nobody, in the count and in the filter.
  for (const name of ['anchor', 'buoy', 'bell', 'moon', 'comet', 'title']) {
    await page.locator('.ledger-row', { hasText: name }).first().click();
    await page.keyboard.press('l');
    await page.waitForFunction(n => benchRows.list.find(r => r.name === n).decision === 'leave', name, { timeout: patience });
  }
  await page.waitForFunction(() => document.body.textContent.includes('all 7 decided'), null, { timeout: patience });
  await page.keyboard.press('v');
  await page.waitForFunction(() => document.querySelectorAll('.ledger-row').length === 0, null, { timeout: patience });
});

test('a page of which a part did not come is loaded again, and says so when that does not help', async () => {
  const complained = problems.length;
  const asked = [];
  const lose = (pattern, times) => page.route(pattern, route => { asked.push(route.request().url()); return route.abort('internetdisconnected'); }, { times });
  const isAlive = () => page.waitForFunction(() => document.querySelector('.design')?._x_dataStack && document.querySelector('.screen-face img')?.naturalWidth > 0 && getComputedStyle(document.querySelector('.top')).display === 'flex', null, { timeout: patience });
  // A script that another one needs, and a style; then a picture alone.
  await lose(/\/js\/screens\.js/, 1);
  await lose(/\/css\/kalypto\.css/, 1);
  await page.goto(server.address + '/projects/1');
  await isAlive();
  assert.equal(asked.length, 2, asked.join(' '));
  await lose(/\/pictures\//, 1);
  await page.reload();
  await isAlive();
  assert.equal(asked.length, 3, asked.join(' '));
  assert.equal(await page.locator('.silence').count(), 0);
  asked.length = 0;
  await lose(/\/js\/screens\.js/);
  await page.goto(server.address + '/projects/1');
  await page.locator('.silence[role=alert]').waitFor({ timeout: patience });
  assert.equal(asked.length, 4);
  await page.unrouteAll();
  await page.goto(server.address + '/projects/1');
  await isAlive();
  assert.equal(await page.locator('.silence').count(), 0);
  problems.splice(complained);
});

test('no page complained in its console', () => assert.deepEqual(problems, []));
