// Debian's Chromium, headless, with nothing going out.
import assert from 'node:assert/strict';
import { AxeBuilder } from '@axe-core/playwright';
import { chromium } from 'playwright-core';
import { watchControls } from './controls.mjs';

export const launch = (...more) => chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking', '--disable-component-update', '--disable-sync', '--force-color-profile=srgb', ...more],
});

// Waits end on what happens. This is only so that one that never would ends at all, also on a busy machine.
export const patience = Number(process.env.KALYPTO_TEST_PATIENCE ?? 600_000);

// What a page still loads once it is live, such as pictures, is waited for, and named when it does not come: no test hangs on it.
const loaded = page => page.waitForLoadState('load', { timeout: patience / 10 }).catch(async () => {
  const left = await page.evaluate(() => [...document.images].filter(image => !image.complete).map(image => image.src)).catch(() => []);
  console.error(`not loaded: ${page.url()}: ${left.join(' ')}`);
});

// A network of the machine that changes ends what is on its way to a page, which has nothing to do with Kalypto.
const stayOnWay = page => {
  const [goto, waitForURL] = [page.goto.bind(page), page.waitForURL.bind(page)];
  page.goto = async (...args) => {
    const answer = await goto(args[0], { waitUntil: 'domcontentloaded', ...args[1] }).catch(e => {
      if (e.message.includes('ERR_NETWORK_CHANGED')) {
        return page.goto(...args);
      }
      throw e;
    });
    await loaded(page);
    return answer;
  };
  page.waitForURL = async (url, options) => {
    await waitForURL(url, { waitUntil: 'domcontentloaded', ...options });
    await loaded(page);
  };
};

// A context, and so a person of its own. Its pages can ask their server as Kalypto's own scripts do: `kalypto.post(...)`.
export const person = async (browser, options) => {
  const context = await browser.newContext(options);
  context.setDefaultTimeout(patience);
  context.on('page', stayOnWay);
  await watchControls(context);
  await context.addInitScript(() => {
    // What lies in a frame has no scripts.
    if (window !== window.top) {
      return;
    }
    const server = () => import('/js/server.js');
    // Lists of thousands of rows are not in the page, so tests look at what the page itself knows.
    import('/js/bench/store.js').then(module => { window.benchRows = module.store; }).catch(() => {});
    import('/lib/alpine.esm.js').then(module => { window.Alpine = module.default; }).catch(() => {});
    window.kalypto = { get: async (...args) => (await server()).get(...args), post: async (...args) => (await server()).post(...args) };
  });
  return context;
};

export const newPage = async (browser, options) => (await person(browser, options)).newPage();

// A key on what can be used. By itself Playwright sends the key also where what is to have the focus is not shown yet, and it is lost.
export const press = async (locator, key) => {
  await locator.click({ trial: true });
  await locator.press(key);
};

// A page under the rules of axe, wide and narrow, where it must not scroll sideways. What a frame shows is a page of its own.
export const breaksNoRule = async (page, { without = [] } = {}) => {
  for (const width of [1280, 1024, 390]) {
    await page.setViewportSize({ width, height: width === 390 ? 844 : 800 });
    const { violations } = await without.reduce((axe, part) => axe.exclude(part), new AxeBuilder({ page })).analyze();
    assert.deepEqual(violations.map(v => `${width}: ${v.id}: ${v.nodes.map(n => n.target).join(' ')}`), []);
    assert.ok(await page.evaluate(() => document.documentElement.scrollWidth <= innerWidth), `scrolls sideways at ${width}`);
  }
  await page.setViewportSize({ width: 1280, height: 800 });
};
