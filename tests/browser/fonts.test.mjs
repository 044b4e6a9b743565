// Fonts of a project: a drawing asks for one that is not there, it is dropped, and all that it draws is drawn with it.
import assert from 'node:assert/strict';
import { join } from 'node:path';
import { after, before, test } from 'node:test';
import { breaksNoRule, launch, newPage } from './browser.mjs';
import { root, serve } from './server.mjs';

const font = join(root, 'tests/Kalypto.Drawing.Tests/TestFonts/outfit-variable.woff2');
const poster = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 375 812"><rect id="paper" width="375" height="812" fill="#fff"/>
<text id="headline" x="20" y="80" font-family="Outfit, sans-serif" font-weight="600" font-size="40">Perseids</text>
<text id="note" x="20" y="140" font-family="Inter" font-size="16">Bring a blanket</text></svg>`;
let server, browser, page;

before(async () => {
  server = await serve();
  browser = await launch();
  page = await newPage(browser, { viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce' });
});
after(async () => {
  await browser?.close();
  await server?.stop();
});

const says = (selector, words) => page.waitForFunction(([selector, words]) => document.querySelector(selector)?.innerText.includes(words), [selector, words]);
const sample = async () => Buffer.from(await (await page.request.get(new URL(await page.locator('.font-row', { hasText: 'Outfit' }).locator('img').first().getAttribute('src'), server.address).href)).body()).toString('base64');
const clean = () => breaksNoRule(page);

test('a family that is not there is told where the drawings are, and where it shows', async () => {
  await page.goto(server.address);
  await page.setInputFiles('.foot input[type=file]', { name: 'poster.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(poster) });
  await page.waitForURL(/projects\/\d+$/);
  await says('.fonts-line', 'Outfit is not there: drop the font here');
  await page.click('.fonts-line a');
  await says('.font-row.is-missing', 'DejaVu Sans stands in for it');
  assert.match(await page.locator('.font-row:not(.is-missing)').innerText(), /Inter\s+comes with Kalypto/);
  await clean();
});

test('the font is dropped, draws what asks for it, is taken out and put back', async () => {
  const before = await sample();
  await page.setInputFiles('.foot input[type=file]', [font]);
  await says('.font-row', 'Inter');
  await page.waitForFunction(() => !document.querySelector('.is-missing') && document.querySelector('.own-fonts'));
  assert.match(await page.locator('.own-fonts tbody tr').innerText(), /Outfit\s+100 to 900\s+1 layer\s+may be embedded and installed\s+outfit-variable\.woff2 70 kB/);
  assert.match(await page.locator('.font-row', { hasText: 'Outfit' }).innerText(), /of the project: 100 to 900\s+asked for in 600/);
  const after = await sample();
  assert.notEqual(after, before);
  await clean();

  await page.locator('.own-fonts button').focus();
  await page.keyboard.press('Enter');
  // The page is loaded anew; a key that is pressed before its scripts run is lost.
  await page.waitForFunction(() => document.querySelector('.is-missing') && !document.querySelector('.own-fonts') && [...document.querySelectorAll('[x-data]')].every(e => e._x_dataStack));
  assert.equal(await sample(), before);
  await page.keyboard.press('z');
  await page.waitForFunction(() => !document.querySelector('.is-missing') && document.querySelector('.own-fonts'));
  assert.equal(await sample(), after);
});

test('what is no font is refused by name, and a font without a project too', async () => {
  await page.setInputFiles('.foot input[type=file]', { name: 'broken.woff2', mimeType: 'font/woff2', buffer: Buffer.concat([Buffer.from('wOF2'), Buffer.alloc(2000)]) });
  await says('.bring-in-results', 'broken.woff2 was not brought in. The WOFF2 file is broken or cut off. Get it again where it came from.');
  await page.goto(server.address);
  await page.setInputFiles('.foot input[type=file]', [font]);
  await says('.bring-in-results', 'Fonts belong to a project: bring a drawing in first, then drop the font there.');
});
