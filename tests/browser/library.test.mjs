// The library: what was shipped is found again, fetched, and taken into another project, where it stays linked.
import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { unzipSync } from 'fflate';
import { breaksNoRule, launch, newPage } from './browser.mjs';
import { serve } from './server.mjs';

let server, browser, page;
const errors = [];

before(async () => {
  // The demo as it comes up at a first start: delivered twice.
  server = await serve({ deliveries: true });
  browser = await launch();
  page = await newPage(browser, { viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce' });
  page.on('pageerror', error => errors.push(error.message));
});
after(async () => {
  await browser?.close();
  await server?.stop();
});

const go = path => page.goto(server.address + path);
const names = () => page.locator('.library-card strong').allInnerTexts();
const shows = wanted => page.waitForFunction(wanted => [...document.querySelectorAll('.library-card strong')].map(e => e.innerText).join() === wanted, wanted.join());
const picked = name => page.waitForFunction(name => document.querySelector('.library-detail h2')?.innerText === name && document.querySelectorAll('.library-files li').length > 0, name);
const clean = () => breaksNoRule(page);

test('a first start shows two deliveries to compare', async () => {
  await go('/projects/1/deliveries');
  await page.waitForFunction(() => document.querySelectorAll('.build[data-state=done]').length === 2);
  await go('/projects/1/deliveries/2');
  await page.waitForSelector('.change');
  assert.match(await page.locator('.changes-head').innerText(), /20 new\s+8 changed\s+12 renamed/);
});

test('what was shipped is found by words, size, colour, likeness and by a picture that somebody has', async () => {
  await go('/');
  await page.click('a[href="/library"]');
  // Until both deliveries are there: the second gave the moon another name.
  await page.waitForFunction(async () => { const { found, cards } = await (await fetch('/api/library')).json(); return found === 7 && cards.some(c => c.name === 'moon-tonight'); });
  await page.reload();
  await shows(['bell', 'book-button', 'clock', 'cloud-night', 'moon-tonight', 'pin', 'price tag']);
  assert.equal(await page.locator('.library-card.here').count(), 1);
  await clean();

  await page.keyboard.press('/');
  await page.keyboard.type('group 41');
  await shows(['bell']);
  await picked('bell');
  assert.equal(await page.locator('.library-places li').count(), 2);
  const files = unzipSync(new Uint8Array(await (await page.request.get(server.address + await page.locator('.foot a[download]').getAttribute('href'))).body()));
  assert.deepEqual(Object.keys(files).sort(), ['android/res/drawable/bell.xml', 'apple/Assets.xcassets/icons/bell.imageset/bell.svg', 'web/icons/bell.svg']);

  await page.click('text=show all');
  await page.fill('[aria-label="Longer side from, in pt"]', '60');
  await shows(['book-button', 'moon-tonight', 'price tag']);
  await page.click('text=show all');
  await page.fill('.library-colour input', '#e8b04a');
  await shows(['price tag', 'book-button']);
  await page.click('text=show all');
  await shows(['bell', 'book-button', 'clock', 'cloud-night', 'moon-tonight', 'pin', 'price tag']);

  // By keyboard to another card, and others that look like it: none but itself.
  await page.click('.library-card:has-text("bell")');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  await picked('clock');
  await page.click('text=what looks like it');
  await shows(['clock']);

  // A picture of the bell from elsewhere, dark, larger, with room around it.
  await page.setInputFiles('.library-head input[type=file]', { name: 'old bell.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(Buffer.from(files['web/icons/bell.svg']).toString()
    .replace(/#f[0-9a-f]{2,5}\b/g, '#204060').replace(/viewBox="(\S+) (\S+) (\S+) (\S+)"/, (_, x, y, w, h) => `viewBox="${x - 9} ${y - 4} ${+w + 18} ${+h + 8}"`).replace(/ width="\S+" height="\S+"/, '')) });
  await shows(['bell']);
  assert.match(await page.locator('.library-asked').innerText(), /old bell\.svg/);
  await page.setInputFiles('.library-head input[type=file]', { name: 'broken.png', mimeType: 'image/png', buffer: Buffer.from('no picture') });
  await page.waitForFunction(() => document.querySelector('.foot [role=alert]').innerText.startsWith('broken.png cannot be looked for'));
});

test('it is taken into another project, where it stays linked', async () => {
  await go('/');
  await page.fill('#project-new', 'Northlight');
  await page.click('text=Make it');
  await page.waitForURL(/projects\/2$/);
  await go('/library?words=clock');
  await picked('clock');
  assert.ok(await page.locator('.btn-next').isDisabled());
  assert.ok(await page.locator('select[aria-label^="The project"] option[value="1"]').isDisabled());
  await page.selectOption('select[aria-label^="The project"]', '2');
  await page.click('text=Take it into this project');
  await page.waitForURL(/projects\/2#design-/);
  assert.match(await page.locator('.from-library').innerText(), /from Larkrise Observatory, delivery 2/);
  await clean();
  const pack = await page.evaluate(async () => (await fetch('/api/projects/2/pack')).json());
  assert.ok(JSON.stringify(pack).includes('web/icons/clock.svg'));

  // A second time it is there already; the original is one click away.
  await go('/library?words=clock');
  await picked('clock');
  await page.selectOption('select[aria-label^="The project"]', '2');
  await page.click('text=Take it into this project');
  await page.waitForFunction(() => document.querySelector('.foot [role=alert]').innerText === 'This project has it already.');
  await page.click('.library-places a');
  await page.waitForURL(/projects\/1\/bench\/.*#layer-/);
  assert.deepEqual(errors, []);
});
