// Every page, wide and narrow, under the rules of axe.
import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { AxeBuilder } from '@axe-core/playwright';
import { launch, newPage, person } from './browser.mjs';
import { serve } from './server.mjs';

let server, browser, context;

before(async () => {
  server = await serve();
  browser = await launch();
  context = await person(browser, { reducedMotion: 'reduce' });
});
after(async () => {
  await browser?.close();
  await server?.stop();
});

const places = {
  projects: ['/', '.project-card'],
  screens: ['/projects/1', '.screen-card'],
  'the whole drawing': ['/projects/1/designs/1/screens', '.frame'],
  bench: ['/projects/1/bench/1/1', '.ledger-row'],
  ships: ['/projects/1/ships', '.ship-card'],
  findings: ['/projects/1/checks', '.check-block'],
  pack: ['/projects/1/pack', '.pack-card'],
  'a closer look': [async page => `/projects/1/closer/${(await page.evaluate(() => kalypto.get('/api/projects/1/pack?search=moon'))).files[0].file.key}`, '.device-map .device-frame'],
  recipes: ['/projects/1/recipes', '.example .file'],
  'a recipe that is edited': ['/projects/1/recipes#photo', '.example .file', async page => { await page.locator('input[aria-label="Recipe Web"]').fill('webp:auto crop:28x28 over:#ffffff wide:480'); await page.waitForSelector('.recipe-controls'); await page.waitForSelector('.btn-next:enabled'); }],
  deliveries: ['/projects/1/deliveries', '.foot'],
  'what is not there': ['/projects/999', 'h1'],
};
// What the bench can show besides.
const states = {
  'with a row opened': ['Enter', '.detail'],
  'with its findings': ['k', '.check'],
  'with its history': ['h', '.history'],
  'renaming many': ['r', '.rename-table'],
  'with its keys': ['?', '.help-card'],
};

async function violations(page) {
  const { violations } = await new AxeBuilder({ page }).analyze();
  return violations.flatMap(v => v.nodes.map(n => `${v.id}: ${n.target.join(' ')} (${n.failureSummary.split('\n')[1]?.trim()})`));
}

for (const width of [1280, 390]) {
  for (const [name, [address, waits, act]] of Object.entries(places)) {
    test(`${name}, ${width} wide, breaks no rule`, async () => {
      const page = await context.newPage();
      await page.setViewportSize({ width, height: 800 });
      if (typeof address !== 'string') {
        await page.goto(server.address);
      }
      await page.goto(server.address + (typeof address === 'string' ? address : await address(page)));
      await page.waitForSelector(waits);
      await act?.(page);
      assert.deepEqual(await violations(page), []);
      assert.ok(await page.evaluate(() => document.documentElement.scrollWidth <= innerWidth), 'it scrolls sideways');
      await page.close();
    });
  }
}

for (const [name, [key, waits]] of Object.entries(states)) {
  test(`the bench ${name} breaks no rule`, async () => {
    const page = await context.newPage();
    await page.setViewportSize({ width: 1280, height: 800 });
    await page.goto(server.address + places.bench[0]);
    await page.waitForSelector('.ledger-row');
    await page.locator('.rows').focus();
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press(key);
    await page.waitForSelector(waits);
    assert.deepEqual(await violations(page), []);
    await page.close();
  });
}
