// Whatever is shown in the demo is pressed, page by page, from the page as it is served, and nothing may break: no page that is
// not there, no error of the server or of a script. What shows in other states only is pressed by the tests of those states;
// check-controls.mjs sees to it that all are.
import assert from 'node:assert/strict';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { after, before, test } from 'node:test';
import { launch, newPage } from './browser.mjs';
import { serve } from './server.mjs';

let server, browser, page;
// The bench first, and last where designs and projects are removed.
const pages = ['/projects/1/bench/1/1', '/projects/1/designs/1/screens', '/projects/1/designs/1/changes', '/projects/1/checks', '/projects/1/recipes', '/projects/1/pack',
  '/projects/1/page/1/1', '/projects/1/ships', '/projects/1/tokens', '/projects/1/fonts', '/projects/1/deliveries', '/projects/1/deliveries/2', '/projects/1/deliveries/2/plates/1/1',
  '/projects/1/deliveries/2/tokens', '/projects/1/deliveries/2/device/1/1', '/library', '/projects/1', '/'];
const last = /remov|archiv|delete|forget|apart|hold|undo|turn/i;

before(async () => {
  server = await serve({ deliveries: true, more: ['--Deliver:0', mkdtempSync(join(tmpdir(), 'kalypto-checkout-')), '--Inbox:0', mkdtempSync(join(tmpdir(), 'kalypto-inbox-'))] });
  browser = await launch();
  page = await newPage(browser, { viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce' });
});
after(async () => {
  await browser?.close();
  await server?.stop();
});

// What does something: what it listens to, as the page was written.
const listens = ['@click', '@click.stop', '@change', '@submit.prevent', '@submit.prevent.stop'];

// In the page: the controls of the page as served, those within templates too.
const controlsOf = path => page.evaluate(async ([path, listens]) => {
  const served = new DOMParser().parseFromString(await (await fetch(path)).text(), 'text/html');
  const found = new Set();
  const walk = root => {
    root.querySelectorAll('*').forEach(element => {
      for (const on of listens.filter(l => element.hasAttribute(l))) {
        found.add(`${element.localName} ${on} ${element.getAttribute(on)}`);
      }
      if (element.localName === 'template') {
        walk(element.content);
      }
    });
  };
  walk(served);
  return [...found];
}, [path, listens]);

// In the page: those that somebody could press now.
const visible = () => page.evaluate(listens => {
  const found = new Set();
  document.querySelectorAll('*').forEach(element => {
    for (const on of listens.filter(l => element.hasAttribute(l))) {
      const shown = element.localName === 'form' ? element.querySelector('button:not([type=button])') ?? element : element;
      if (shown.checkVisibility({ visibilityProperty: true, opacityProperty: false }) && !shown.disabled) {
        found.add(`${element.localName} ${on} ${element.getAttribute(on)}`);
      }
    }
  });
  return [...found];
}, listens);

let pending = 0;
const troubles = [];
const idle = async () => {
  for (let quiet = 0; quiet < 3; quiet = pending > 0 ? 0 : quiet + 1) {
    await new Promise(done => { setTimeout(done, 40); });
  }
};
const open = async path => {
  const answer = await page.goto(server.address + path);
  assert.ok(answer.ok(), `${path}: ${answer.status()}`);
  await page.waitForFunction(() => [...document.querySelectorAll('[x-data]')].every(e => e._x_dataStack));
  await idle();
};

// Presses the first that is shown of a kind; true when there was one.
const press = async signature => {
  const [, tag, on, value] = signature.match(/^(\S+) (\S+) ([^]*)$/);
  const handle = await page.evaluateHandle(([tag, on, value]) => {
    const all = [...document.querySelectorAll(tag)].filter(e => e.getAttribute(on) === value).map(e => e.localName === 'form' ? e.querySelector('button:not([type=button])') ?? e : e);
    return all.find(e => e.checkVisibility({ visibilityProperty: true }) && !e.disabled) ?? null;
  }, [tag, on, value]);
  const element = handle.asElement();
  if (!element) {
    return false;
  }
  await element.evaluate((e, on) => {
    e.scrollIntoView({ block: 'center' });
    if (on === '@change' && e.localName === 'select') {
      e.selectedIndex = (e.selectedIndex + 1) % e.options.length;
      e.dispatchEvent(new Event('change', { bubbles: true }));
    } else if (on === '@change' && e.type !== 'checkbox' && e.type !== 'radio') {
      e.dispatchEvent(new Event('change', { bubbles: true }));
    } else if (e.localName === 'form') {
      e.requestSubmit();
    } else {
      e.click();
    }
  }, on).catch(() => {});
  await page.waitForLoadState().catch(() => {});
  await idle();
  return true;
};

test('every control of every page does something and breaks nothing', async () => {
  page.on('request', () => { pending++; });
  for (const end of ['requestfinished', 'requestfailed']) {
    page.on(end, () => { pending = Math.max(0, pending - 1); });
  }
  page.on('dialog', dialog => dialog.dismiss());
  let at = '';
  page.on('pageerror', error => troubles.push(`${at}: ${error.message}`));
  page.on('response', response => {
    // The stream of news never ends.
    if (/\/events\?/.test(response.url())) {
      pending = Math.max(0, pending - 1);
    }
    // A refusal with words is an answer; what is not there, or broke, is none.
    if (response.status() === 404 || response.status() >= 500) {
      troubles.push(`${at}: ${response.status()} ${response.request().method()} ${new URL(response.url()).pathname}`);
    }
  });
  for (const path of pages) {
    await open(path);
    const wanted = new Set(await controlsOf(path));
    const pressed = new Set();
    const ways = new Map();
    for (const signature of await visible()) {
      ways.set(signature, []);
    }
    for (;;) {
      const waiting = [...ways.keys()].filter(s => wanted.has(s) && !pressed.has(s));
      const next = waiting.find(s => !last.test(s)) ?? waiting[0];
      if (!next) {
        break;
      }
      pressed.add(next);
      at = `${path} ${next}`;
      if (new URL(page.url()).pathname !== path || !(await visible()).includes(next)) {
        await open(path);
        for (const step of ways.get(next)) {
          await press(step);
        }
      }
      if (!await press(next)) {
        pressed.delete(next);
        ways.delete(next);
        continue;
      }
      if (new URL(page.url()).pathname === path) {
        const way = [...ways.get(next), next];
        for (const signature of (await visible()).filter(s => !ways.has(s) && way.length < 5)) {
          ways.set(signature, way);
        }
      }
    }
  }
  assert.deepEqual(troubles, []);
});
