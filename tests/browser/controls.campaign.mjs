// Whatever is shown in the demo is pressed, page by page, from the page as it is served, and nothing may break: no page that is
// not there, no error of the server or of a script. What shows in other states only is pressed by the tests of those states. By
// hand, as `node --test` with KALYPTO_DATABASE, and KALYPTO_CONTROLS for the list of check-controls.mjs: it takes five minutes,
// fifteen beside other work.
import assert from 'node:assert/strict';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { after, before, test } from 'node:test';
import { launch, newPage } from './browser.mjs';
import { serve } from './server.mjs';

let browser;
const servers = [];
const last = /remov|archiv|delete|forget|apart|hold|undo|turn|shut|endOthers|sign/i;

before(async () => { browser = await launch(); });
after(async () => {
  await browser?.close();
  await Promise.all(servers.map(s => s.stop()));
});

// What does something: what it listens to, as the page was written, and what takes what somebody types or chooses.
const listens = ['@click', '@click.stop', '@change', '@submit.prevent', '@submit.prevent.stop', '@dblclick', '@dblclick.stop', '@input', 'x-model', 'x-model.number', 'x-model.lazy'];

// In the page: the controls of the page as served, those within templates too.
const controlsOf = (page, path) => page.evaluate(async ([path, listens]) => {
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
const visible = page => page.evaluate(listens => {
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

// Presses the first that is shown of a kind; true when there was one.
const press = async (page, signature) => {
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
    const tell = name => e.dispatchEvent(new Event(name, { bubbles: true }));
    e.scrollIntoView({ block: 'center' });
    if (e.localName === 'select') {
      e.selectedIndex = (e.selectedIndex + 1) % e.options.length;
      tell('change');
    } else if (on.startsWith('@dblclick')) {
      tell('dblclick');
    } else if (/@input|@change|x-model/.test(on) && e.type !== 'checkbox' && e.type !== 'radio') {
      e.value = e.type === 'number' || e.type === 'range' ? '2' : e.type === 'color' ? '#204060' : 'a';
      tell('input');
      tell('change');
    } else if (e.localName === 'form') {
      e.requestSubmit();
    } else {
      e.click();
    }
  }, on).catch(() => {});
  await page.waitForLoadState('domcontentloaded').catch(() => {});
  return true;
};

// Presses all that is shown on each page, and what shows then, and so on; gives what broke meanwhile.
const crawl = async (page, address, paths) => {
  let pending = 0;
  let at = '';
  const troubles = [];
  const idle = async () => {
    for (let quiet = 0; quiet < 3; quiet = pending > 0 ? 0 : quiet + 1) {
      await new Promise(done => { setTimeout(done, 40); });
    }
  };
  const open = async path => {
    const answer = await page.goto(address + path);
    assert.ok(answer.ok(), `${path}: ${answer.status()}`);
    await page.waitForFunction(() => [...document.querySelectorAll('[x-data]')].every(e => e._x_dataStack));
    await idle();
  };
  page.on('request', () => { pending++; });
  for (const end of ['requestfinished', 'requestfailed']) {
    page.on(end, () => { pending = Math.max(0, pending - 1); });
  }
  page.on('dialog', dialog => dialog.dismiss());
  page.on('pageerror', error => troubles.push(`${at}: ${error.message}`));
  page.on('response', response => {
    // The stream of news never ends.
    if (/\/events\?/.test(response.url())) {
      pending = Math.max(0, pending - 1);
    }
    // A refusal with words is an answer, and so is 503, which a busy server says; what is not there, or broke, is none.
    if (response.status() === 404 || response.status() >= 500 && response.status() !== 503) {
      troubles.push(`${at}: ${response.status()} ${response.request().method()} ${new URL(response.url()).pathname}`);
    }
  });
  for (const path of paths) {
    await open(path);
    const wanted = new Set(await controlsOf(page, path));
    const pressed = new Set();
    const ways = new Map((await visible(page)).map(signature => [signature, []]));
    for (;;) {
      const waiting = [...ways.keys()].filter(s => wanted.has(s) && !pressed.has(s));
      const next = waiting.find(s => !last.test(s)) ?? waiting[0];
      if (!next) {
        break;
      }
      pressed.add(next);
      at = `${path} ${next}`;
      if (new URL(page.url()).pathname !== path || !(await visible(page)).includes(next)) {
        await open(path);
        for (const step of ways.get(next)) {
          await press(page, step);
          await idle();
        }
      }
      if (!await press(page, next)) {
        pressed.delete(next);
        ways.delete(next);
        continue;
      }
      await idle();
      if (new URL(page.url()).pathname === path) {
        const way = [...ways.get(next), next];
        for (const signature of (await visible(page)).filter(s => !ways.has(s) && way.length < 5)) {
          ways.set(signature, way);
        }
      }
    }
  }
  return troubles;
};

test('every control of the pages that designers and developers use breaks nothing', async () => {
  const server = await serve({ deliveries: true, more: ['--Deliver:0', mkdtempSync(join(tmpdir(), 'kalypto-checkout-')), '--Inbox:0', mkdtempSync(join(tmpdir(), 'kalypto-inbox-'))] });
  servers.push(server);
  const page = await newPage(browser, { viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce', permissions: ['clipboard-read', 'clipboard-write'] });
  await page.goto(`${server.address}/projects/1/pack`);
  const closer = await page.locator('a[href*="/closer/"]').first().getAttribute('href');
  // The next draft, so that there is something on Changes.
  await page.goto(`${server.address}/projects/1`);
  await page.locator('button', { hasText: 'Bring the newer drawing in' }).click();
  await page.waitForURL(/changes$/);
  // Where things are decided anew comes late, and last where designs and projects are removed.
  assert.deepEqual(await crawl(page, server.address, [closer, '/projects/1/bench/1/1', '/projects/1/designs/1/screens', '/projects/1/checks', '/projects/1/recipes', '/projects/1/pack',
    '/projects/1/page/1/1', '/projects/1/ships', '/projects/1/tokens', '/projects/1/fonts', '/projects/1/designs/1/changes', '/projects/1/deliveries', '/projects/1/deliveries/2', '/projects/1/deliveries/2/plates/1/1',
    '/projects/1/deliveries/2/tokens', '/projects/1/deliveries/2/device/1/1', '/library', '/projects/1', '/']), []);
  await page.context().close();
});

test('every control of the pages of a team breaks nothing', async () => {
  const server = await serve({ more: ['--People', 'true'] });
  servers.push(server);
  const page = await newPage(browser, { viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce', permissions: ['clipboard-read', 'clipboard-write'] });
  // The first account, by the address that the console tells.
  await page.goto(/http:\S+\/welcome#\S+/.exec(server.output())[0]);
  await page.getByLabel('Your name').fill('Mira');
  await page.getByLabel('Mail address that you sign in with').fill('mira@observatory.example');
  await page.getByLabel(/^Password/).fill('under the dome at night');
  await page.getByRole('button', { name: 'Create account' }).click();
  await page.waitForURL(url => !url.pathname.startsWith('/welcome'));
  assert.deepEqual(await crawl(page, server.address, ['/projects/1/people', '/people', '/projects/1/log', '/log', '/mail', '/account']), []);
  await page.context().close();
});
