// What comes in is hostile until proven otherwise: each file is refused or drawn with a clear word, and nothing else suffers.
import assert from 'node:assert/strict';
import { mkdtempSync, readFileSync, truncateSync, writeFileSync } from 'node:fs';
import { connect } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { after, before, test } from 'node:test';
import { launch, newPage, patience } from './browser.mjs';
import { serve } from './server.mjs';

const head = '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 400 400">';
const svg = inside => `${head}${inside}</svg>`;
const refused = {
  'empty.svg': ['', /empty/],
  'not-svg.svg': ['<html></html>', /not an SVG/],
  'text.svg': ['hello', /is plain text/],
  'picture.svg': [Buffer.from([0x89, 0x50, 0x4e, 0x47, 0, 0]), /not known here/],
  'cut-off.svg': [head + '<g><rect width="4', /not whole/],
  'entities.svg': ['<!DOCTYPE svg [<!ENTITY a "aaaa"><!ENTITY b "&a;&a;&a;">]>' + svg('&b;'), /entities/],
  'outside-entity.svg': ['<!DOCTYPE svg [<!ENTITY a SYSTEM "file:///etc/passwd">]>' + svg('<text>&a;</text>'), /entities/],
  'deep.svg': [head + '<g>'.repeat(100_000) + '</g>'.repeat(100_000) + '</svg>', /deep/],
  'wide.svg': ['<svg xmlns="http://www.w3.org/2000/svg" width="1e9" height="1e9"/>', /on a side/],
  'zero.svg': ['<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 0 0"/>', /nothing fits/],
  'use-bomb.svg': [svg('<g id="a0"><rect/></g>' + Array.from({ length: 40 }, (_, i) => `<g id="a${i + 1}"><use href="#a${i}"/><use href="#a${i}"/></g>`).join('')), /Repeats/],
  'use-itself.svg': [svg('<g id="a"><use href="#a"/></g>'), /itself/],
  'million.svg': [svg('<g/>'.repeat(1_000_000)), /elements/],
  'huge.svg': [null, /MB/],
};
const taken = {
  'script.svg': svg('<script>document.title = "owned"</script><rect width="9" height="9" onload="alert(1)"/>'),
  'names.svg': svg(`<rect data-name="../../../etc/passwd" width="9" height="9"/><rect data-name="${'n'.repeat(5000)}" width="9" height="9"/><rect data-name="&lt;img src=x onerror=alert(1)&gt;" width="9" height="9"/>`),
  'turbulence.svg': svg('<filter id="f" x="0" y="0" width="1" height="1"><feTurbulence baseFrequency=".9" numOctaves="900000"/></filter><rect id="storm" width="400" height="400" filter="url(#f)"/><rect id="calm" width="20" height="20"/>'),
  'nested-filters.svg': svg('<filter id="f"><feGaussianBlur stdDeviation="200"/></filter>' + '<g filter="url(#f)">'.repeat(150) + '<rect width="9" height="9"/>' + '</g>'.repeat(150)),
};

// MB of memory that the server holds, and the most when all is done: as at the start, the drawings that it keeps, and 150 MB.
const heldOf = () => Number(/VmRSS:\s+(\d+) kB/.exec(readFileSync(`/proc/${server.pid}/status`, 'utf8'))[1]) / 1000;
const keptDrawings = 60;
let heldAtStart;

let server, browser, page, folder;
before(async () => {
  // The quick engine alone: what hangs it, a browser may well draw.
  server = await serve({ seconds: 6, more: ['--Exact', 'false', '--DrawingsInMemory', String(keptDrawings * 1e6)] });
  heldAtStart = heldOf();
  browser = await launch();
  page = await newPage(browser, { viewport: { width: 1280, height: 800 } });
  folder = mkdtempSync(join(tmpdir(), 'kalypto-hostile-'));
  for (const [name, [content]] of Object.entries(refused)) {
    writeFileSync(join(folder, name), content ?? svg('<g/>'));
  }
  truncateSync(join(folder, 'huge.svg'), 200_000_000);
  for (const [name, content] of Object.entries(taken)) {
    writeFileSync(join(folder, name), content);
  }
});
after(async () => {
  await browser?.close();
  await server?.stop();
});

test('each broken or hostile file is refused by name with its reason, and the others come in', { timeout: 3_600_000 }, async () => {
  await page.goto(`${server.address}/projects/1`);
  const names = [...Object.keys(refused), 'names.svg'];
  await page.setInputFiles('.foot input[type=file]', names.map(n => join(folder, n)));
  await page.waitForFunction(n => document.querySelectorAll('.bring-in-results > p:not([style*="none"])').length === n
    && !document.querySelector('.bring-in-results .spinner-border')?.checkVisibility(), names.length, { timeout: 3_600_000 });
  for (const [name, [, reason]] of Object.entries(refused)) {
    const message = await page.locator('.bring-in-results p', { hasText: `${name} was not brought in` }).innerText();
    assert.match(message, reason, name);
  }
  assert.equal(await page.locator('.bring-in-results p.good').count(), 1);
});

test('the demo is as it was', async () => {
  await page.goto(`${server.address}/projects/1`);
  assert.deepEqual(await page.locator('.design h1').allInnerTexts(), ['Visitor app', 'Website', 'Names']);
});

test('names with markup and paths are only names', async () => {
  await page.goto(`${server.address}/projects/1/bench/3/0`);
  await page.waitForSelector('.ledger-row');
  const names = await page.locator('.ledger-row .cell-name strong').allInnerTexts();
  assert.ok(names.includes('<img src=x onerror=alert(1)>'));
  for (const _ of [1, 2, 3]) {
    await page.locator('.rows').focus();
    await page.keyboard.press('ArrowDown');
    await Promise.all([page.waitForResponse(/edit$/), page.keyboard.press('s')]);
  }
  await page.goto(`${server.address}/projects/1/pack`);
  await page.waitForSelector('.pack-card');
  const files = (await page.locator('.file > span:first-child').allInnerTexts()).join('\n');
  assert.match(files, /^etc-passwd\.png$/m);
  assert.doesNotMatch(files, /\.\.|[<>]|n{61}/);
});

test('a drawing that hangs the renderer is a finding on its layer while the rest is drawn', { timeout: 3_600_000 }, async () => {
  await page.goto(server.address);
  await page.setInputFiles('.foot input[type=file]', Object.keys(taken).filter(n => n !== 'names.svg').map(n => join(folder, n)));
  await page.waitForURL(/projects\/2$/, { timeout: patience });
  assert.notEqual(await page.title(), 'owned');
  const bench = await page.locator('.screen-face[aria-label^="Turbulence"]').getAttribute('href');
  await page.goto(server.address + bench);
  await page.waitForSelector('.ledger-row');
  await page.locator('.rows').focus();
  for (const _ of ['storm', 'calm']) {
    await page.keyboard.press('ArrowDown');
    await Promise.all([page.waitForResponse(/edit$/), page.keyboard.press('s')]);
  }
  const row = page.locator('.row-block', { has: page.locator('strong', { hasText: /^storm$/ }) });
  await page.waitForFunction(async () => (await kalypto.get('/api/projects/2/checks')).checks.flatMap(c => c.findings)
    .some(f => /storm.*cannot be drawn.*longer than 6 seconds/s.test(f.sentence)), null, { timeout: patience });
  await row.locator('.count.warning').waitFor({ timeout: patience });
  const calm = page.locator('.row-block', { has: page.locator('strong', { hasText: /^calm$/ }) });
  await page.waitForFunction(() => [...document.querySelectorAll('.row-block')].some(r => r.querySelector('strong').textContent === 'calm' && /^\d+(\.\d)? (B|kB)/.test(r.querySelector('.cell-weight').innerText)), null, { timeout: patience });
  assert.equal(await calm.locator('.cell-files').innerText(), '12');
  assert.equal((await page.request.get(`${server.address}/health`)).status(), 200);
});

test('a drawing of many layers says how far it is, and can be stopped', { timeout: 3_600_000 }, async () => {
  const many = join(folder, 'many.svg');
  writeFileSync(many, svg(Array.from({ length: 30_000 }, (_, i) => `<path id="ray${i}" d="M${i % 400} ${i % 390}h9v${i % 7}"/>`).join('')));
  await page.goto(server.address);
  const before = await page.locator('.projects article').count();
  await page.setInputFiles('.foot input[type=file]', many);
  await page.waitForFunction(() => /[\d,]+ of 30,000 layers measured/.test(document.querySelector('.bring-in-results').innerText));
  await page.click('.bring-in-results button:has-text("Stop")');
  await page.getByText('You stopped it.').waitFor();
  await page.reload();
  assert.equal(await page.locator('.projects article').count(), before);
});

test('three files at once come in from one machine and sixty wait, whatever its browsers say who they are', async () => {
  const { hostname, port } = new URL(server.address);
  await page.goto(server.address);
  const token = await page.evaluate(() => document.documentElement.dataset.token);
  const cookies = (await page.context().cookies()).filter(c => c.name !== 'kalypto-actor').map(c => `${c.name}=${c.value}; `).join('');
  const answers = [];
  const uploads = Array.from({ length: 70 }, (_, i) => {
    const socket = connect(Number(port), hostname);
    // Of an answer that comes in pieces the first says all.
    socket.once('data', data => answers.push(Number(/^HTTP\/1\.1 (\d+)/.exec(String(data))?.[1] ?? 0)));
    socket.on('error', () => {});
    // The file does not follow: each holds its place for as long as it likes.
    socket.write(`POST /api/projects HTTP/1.1\r\nHost: ${hostname}:${port}\r\nCookie: ${cookies}kalypto-actor=${String(i).padStart(22, '0')}\r\nX-Kalypto-Token: ${token}\r\nContent-Type: multipart/form-data; boundary=b\r\nContent-Length: 9000\r\n\r\n--b\r\n`);
    return socket;
  });
  const end = Date.now() + patience;
  while (answers.length < 7 && Date.now() < end) {
    await new Promise(resolve => { setTimeout(resolve, 100); });
  }
  uploads.forEach(socket => socket.destroy());
  assert.deepEqual(answers, Array(7).fill(429));
  // Whoever went makes room.
  await page.goto(server.address);
  await page.setInputFiles('.foot input[type=file]', join(folder, 'names.svg'));
  await page.waitForURL(/projects\/\d+$/);
});

test('memory that hostile files took is given back', async t => {
  const most = heldAtStart + keptDrawings + 150;
  const after = heldOf();
  const end = Date.now() + patience;
  while (heldOf() > most && Date.now() < end) {
    await new Promise(resolve => { setTimeout(resolve, 1000); });
  }
  t.diagnostic(`${heldAtStart.toFixed(0)} MB at the start, ${after.toFixed(0)} after hostile files, ${heldOf().toFixed(0)} in the end, ${most.toFixed(0)} allowed`);
  assert.ok(heldOf() <= most);
});
