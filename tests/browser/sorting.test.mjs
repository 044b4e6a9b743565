// A board that Kalypto has never seen: 300 layers, no name of anybody's, three screens in one. By keyboard alone it gets
// split, decided, named and free of blockers. Then what two people and thousands of rows need.
import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { zipSync } from 'fflate';
import { PNG } from 'pngjs';
import { launch, newPage } from './browser.mjs';
import { serve } from './server.mjs';

let server, browser, page;
const problems = [];

before(async () => {
  server = await serve();
  browser = await launch();
  page = await newPage(browser, { viewport: { width: 1280, height: 800 } });
  page.on('pageerror', e => problems.push(e.message));
  page.on('console', m => m.type() === 'error' && !/409|404/.test(m.text()) && problems.push(m.text()));
});
after(async () => {
  await browser?.close();
  await server?.stop();
});

const icons = [
  '<path d="M12 3c-4 0-6 3-6 7v4l-2 3h16l-2-3v-4c0-4-2-7-6-7z"/><path d="M10 17.5a2 2 0 0 0 4 0z"/>',
  '<path d="M3 6h18v4a2 2 0 0 0 0 4v4H3v-4a2 2 0 0 0 0-4z"/>',
  '<path d="M20 14A8.5 8.5 0 1 1 10 4a7 7 0 0 0 10 10z"/>',
  '<path d="M12 20C5 15 3 11 3 8.5A4.5 4.5 0 0 1 12 7a4.5 4.5 0 0 1 9 1.5C21 11 19 15 12 20z"/>',
  '<circle cx="10" cy="10" r="6" fill="none" stroke="#123" stroke-width="2"/><path d="M14.5 14.5L21 21" fill="none" stroke="#123" stroke-width="2"/>',
];

// Groups and shapes without any name, as drawing programs leave them.
function board() {
  let number = 0;
  const screens = ['Tonight', 'Visits', 'Profile'].map((title, s) => {
    const rows = Array.from({ length: 14 }, (_, i) => `<g id="Group ${++number}" transform="translate(16 ${120 + i * 47})"><rect id="Rectangle ${++number}" width="343" height="44" rx="10" fill="#fff"/>`
      + `<g id="Group ${++number}" transform="translate(14 10)">${icons[(i + s) % 5]}</g><text id="Text ${++number}" x="52" y="26" font-size="15">Hour ${i} at dome ${s}</text><text x="52" y="44" font-size="11">clear sky</text>`
      + `<path id="Path ${++number}" d="M310 20l8 8-8 8" fill="none" stroke="#123" stroke-width="2"/></g>`);
    return `<rect id="Rectangle ${++number}" x="${40 + s * 420}" y="40" width="375" height="812" fill="#e8ecf8"/>`
      + `<g id="Group ${++number}" transform="translate(${40 + s * 420} 40)"><text id="Text ${++number}" x="20" y="80" font-size="30">${title}</text>`
      + `<g id="Group ${++number}" transform="translate(330 60)">${icons[s]}</g>${rows.join('')}</g>`;
  });
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 1300 900">${screens.join('')}</svg>`;
}

const key = async (...keys) => {
  for (const k of keys) {
    await page.keyboard.press(k);
  }
};
async function tabTo(selector) {
  for (let i = 0; i < 400; i++) {
    if (await page.evaluate(s => document.activeElement?.matches(s), selector)) {
      return;
    }
    // A list is one stop: within it arrows lead on.
    const within = await page.evaluate(s => {
      const items = [...document.activeElement?.closest('[role=group], .strip-screens')?.querySelectorAll('button, a[href]') ?? []];
      const [at, to] = [items.indexOf(document.activeElement), items.findIndex(i => i.matches(s))];
      return at >= 0 && to >= 0 && items[to].tabIndex < 0 ? to - at : 0;
    }, selector);
    await key(within > 0 ? 'ArrowRight' : within < 0 ? 'ArrowLeft' : 'Tab');
  }
  assert.fail(`${selector} cannot be reached by Tab`);
}
// Done when the server has answered and the page has taken the answer in.
const settled = async action => {
  await Promise.all([page.waitForResponse(r => r.request().method() === 'POST' && /\/(edit|undo|redo|rule|accept|rename|combine|take-apart|fix)$/.test(r.url()) && r.ok()), action()]);
  await page.waitForFunction(() => Alpine.$data(document.querySelector('.bench')).pending === 0);
};
const list = () => page.evaluate(() => benchRows.list.map(({ ordinal, name, decision, coveredBy, combined, kind, findings, depth }) => ({ ordinal, name, decision, coveredBy, combined, kind, findings, depth })));
const names = async decision => (await list()).filter(r => r.decision === decision).map(r => r.name);

test('by keyboard alone a nameless board is split, decided, named and free of blockers', { timeout: 3_600_000 }, async () => {
  await page.goto(server.address);
  await page.setInputFiles('.foot input[type=file]', { name: 'board.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(board()) });
  await page.waitForURL(/projects\/2$/);
  await tabTo('.proposal button');
  await key('Enter');
  await page.waitForFunction(() => document.querySelectorAll('.screen-card').length === 3);
  assert.deepEqual(await page.locator('.screen-name input').evaluateAll(inputs => inputs.map(i => i.value)), ['Tonight', 'Visits', 'Profile']);
  const benches = await page.locator('.screen-face').evaluateAll(links => links.map(l => l.getAttribute('href')));
  assert.ok(await page.evaluate(() => [...document.querySelectorAll('.design-head .muted')].some(m => Number(m.textContent.match(/(\d+) layers/)?.[1]) >= 300)));

  await tabTo('.screen-face');
  await key('Enter');
  for (const [at] of benches.entries()) {
    if (at > 0) {
      await tabTo(`.strip-screen[href="${benches[at]}"]`);
      await key('Enter');
    }
    await page.waitForURL(server.address + benches[at]);
    await page.waitForSelector('.ledger-row');
    for (const rule of ['texts', 'boxes']) {
      await tabTo('.menu:first-of-type summary');
      await key('Enter');
      await tabTo(`button[data-rule="${rule}"]`);
      await settled(() => key('Enter'));
    }
    await tabTo('.menu:nth-of-type(2) summary');
    await key('Enter');
    await tabTo('.menu-line button');
    await settled(() => key('Enter'));
    // What is left open gets a look each; here it is all groups and lines that nobody needs.
    await tabTo('.rows');
    for (let i = 0; i < 80 && (await list()).some(r => r.decision === 'open' && !r.coveredBy && r.depth > 0 && !r.hasChildren); i++) {
      await key('.');
      const waits = await page.evaluate(() => Alpine.$data(document.querySelector('.bench')).isWaiting(benchRows.byOrdinal.get(Alpine.$data(document.querySelector('.bench')).cursor)));
      if (!waits) {
        break;
      }
      await settled(() => key(i % 2 ? 'c' : 'l'));
    }
    // Names for all that ships, from what stands in and beside it.
    await tabTo('.ledger-tools .choice button:nth-of-type(4)');
    await key('Enter');
    await tabTo('.rows');
    // Frames are late on a busy machine: what is shown with one must not have had the focus before.
    await page.evaluate(() => { const frame = window.requestAnimationFrame.bind(window); window.requestAnimationFrame = then => frame(() => setTimeout(then, 200)); });
    await key('*', 'r');
    await page.waitForSelector('.drawer .rename-form input:focus');
    await tabTo('.rename-form input[type=checkbox]:not(:disabled)');
    await key('Tab');
    await tabTo('.rename-form input[type=checkbox]:last-of-type, .rename-form label:last-of-type input');
    await Promise.all([page.waitForResponse(/rename\/preview$/), key('Space')]);
    await page.waitForFunction(() => document.querySelectorAll('.rename-table tbody tr').length > 3 && Alpine.$data(document.querySelector('.bench')).rename.suggest);
    // Drawings that stand on an earlier screen too have their names from there.
    if (at === 0 || await page.locator('.rename-form button').isEnabled()) {
      await tabTo('.rename-form button');
      await settled(() => key('Enter'));
    } else {
      await key('Escape');
    }
  }

  const shipped = await list();
  assert.ok(shipped.filter(r => r.decision === 'ship').length > 5);
  for (const [at, bench] of benches.entries()) {
    await page.goto(server.address + bench);
    await page.waitForSelector('.ledger-row');
    const rows = await list();
    assert.deepEqual(rows.flatMap(r => r.findings).filter(f => f.severity === 'blocker' || f.check === 'not named yet').map(f => f.sentence), []);
    assert.equal(rows.filter(r => r.decision === 'ship' && /^(Group|Path|Rectangle) \d+$/.test(r.name)).length, 0, `screen ${at}`);
    assert.match(await page.locator('.strip-screen[aria-current=page]').innerText(), /all \d+ decided/);
  }
  assert.equal(await page.locator('text=must be settled').isVisible(), false);
  assert.ok(await page.locator('button:has-text("Build the pack")').isEnabled());
});

test('loose layers become one picture, and one again taken apart, with every step in the history', async () => {
  await page.goto(`${server.address}/projects/1/bench/1/1`);
  await page.waitForSelector('.ledger-row');
  const pick = async (...wanted) => {
    await page.evaluate(wanted => { Alpine.$data(document.querySelector('.bench')).picked = wanted.map(n => benchRows.list.find(r => r.name === n).ordinal); }, wanted);
    await page.locator('.rows').focus();
  };
  await pick('status-bar', 'page-title');
  await settled(() => key('j'));
  await page.waitForFunction(() => benchRows.list.some(r => r.combined));
  const combined = (await list()).find(r => r.combined);
  await settled(() => key('s'));
  assert.equal((await list()).find(r => r.ordinal === combined.ordinal).decision, 'ship');
  assert.ok((await list()).filter(r => r.coveredBy).length > 3);
  await page.waitForFunction(() => document.querySelectorAll('.ledger-row.joined').length === 1);
  await settled(() => key('J'));
  assert.ok(!(await list()).some(r => r.combined));
  for (let i = 0; i < 3; i++) {
    await settled(() => key('z'));
  }
  assert.ok(!(await list()).some(r => r.combined));
  await key('h');
  await page.waitForSelector('.history li');
  assert.match((await page.locator('.history').innerText()).replace(/\s+/g, ' '), /Combine 2 layers/);
  assert.equal(await page.locator('.history li.undone').count(), 3);
  await key('Escape');
});

test('a suggestion is accepted or refused for good by one key', async () => {
  const cursorTo = name => page.evaluate(name => { const c = Alpine.$data(document.querySelector('.bench')); c.picked = []; c.goTo(benchRows.list.find(r => r.name === name).ordinal); }, name);
  await cursorTo('saturn');
  await page.locator('.rows').focus();
  await settled(() => key('y'));
  const saturn = (await list()).find(r => r.name === 'saturn');
  assert.deepEqual([saturn.decision, saturn.kind], ['ship', 'icon']);
  await cursorTo('signal');
  await settled(() => key('x'));
  await page.reload();
  await page.waitForSelector('.ledger-row');
  assert.equal(await page.evaluate(() => benchRows.list.find(r => r.name === 'signal').suggestion), null);
  assert.ok(await page.evaluate(() => !!benchRows.list.find(r => r.name === 'battery').suggestion));
});

test('what is decided for one place of a drawing holds for all, until a place is taken apart', async () => {
  const stars = () => page.evaluate(() => benchRows.list.filter(r => r.places === 4 && r.name !== 'path').map(r => `${r.decision} ${r.name}${r.apart ? ' apart' : ''}`));
  const on = (name, at = 0) => page.evaluate(([name, at]) => { const c = Alpine.$data(document.querySelector('.bench')); c.goTo(benchRows.list.filter(r => r.drawnName === name || r.name === name)[at].ordinal); }, [name, at]);
  await on('Group 41');
  await page.locator('.rows').focus();
  await settled(() => key('s'));
  await key('n');
  await page.waitForSelector('.name-input:focus');
  await page.keyboard.type('star');
  await settled(() => key('Enter'));
  assert.deepEqual([...new Set(await stars())], ['ship star']);
  await on('Group 42');
  await page.locator('.rows').focus();
  await settled(() => key('J'));
  await settled(() => key('c'));
  assert.deepEqual([...new Set(await stars())].sort(), ['code star apart', 'ship star']);
  await settled(() => key('J'));
  assert.deepEqual([...new Set(await stars())], ['ship star']);
  for (let i = 0; i < 5; i++) {
    await settled(() => key('z'));
  }
  assert.ok((await stars()).every(s => s.startsWith('open Group')));
});

test('two people on one screen see each other at once and lose nothing', async () => {
  const other = await newPage(browser, { viewport: { width: 1280, height: 800 } });
  await other.goto(`${server.address}/projects/1/bench/1/1`);
  await other.waitForSelector('.ledger-row');
  const ordinal = await page.evaluate(() => benchRows.list.find(r => r.name === 'cloud-night').ordinal);
  const act = (who, body) => who.evaluate(([ordinal, body]) => {
    const c = Alpine.$data(document.querySelector('.bench'));
    c.picked = [ordinal];
    return c.edit(body);
  }, [ordinal, body]);
  const seen = (who, decision, name, tags) => who.waitForFunction(([o, decision, name, tags]) => {
    const r = benchRows.byOrdinal.get(o);
    return r.decision === decision && r.name === name && r.tags.join(' ') === tags;
  }, [ordinal, decision, name, tags]);
  // At the same moment: one decides, the other tags, and then names.
  await Promise.all([act(page, { decision: 'Ship' }), act(other, { tags: 'icon to:sky' })]);
  await act(other, { name: 'moon-night' });
  await Promise.all([seen(page, 'ship', 'moon-night', 'icon to:sky'), seen(other, 'ship', 'moon-night', 'icon to:sky')]);
  await act(page, { decision: 'Open', name: '', tags: '-icon -to' });
  await seen(other, 'open', 'cloud-night', '');
  await other.close();
});

test('of thousands of rows only those in sight are in the page, and every one is reached', async () => {
  const many = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 900 900">${Array.from({ length: 2000 }, (_, i) => `<path id="thing-${i}" d="M${i % 90 * 10} ${Math.floor(i / 90) * 20}l${i % 7 + 2} ${i / 100 + 2}z"/>`).join('')}</svg>`;
  await page.goto(server.address);
  await page.setInputFiles('.foot input[type=file]', { name: 'many.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(many) });
  await page.waitForURL(/projects\/3$/);
  await page.goto(server.address + await page.locator('.screen-face').getAttribute('href'));
  await page.waitForSelector('.ledger-row');
  assert.ok(await page.locator('.ledger-row').count() < 60);
  assert.equal(await page.locator('.rows').getAttribute('aria-rowcount'), '2002');
  await page.locator('.rows').focus();
  await key('End');
  await page.waitForFunction(() => document.querySelector('.ledger-row.cursor strong')?.textContent === 'thing-1999');
  await settled(() => key('s'));
  await page.fill('.search input', 'thing-77');
  await page.waitForFunction(() => document.querySelectorAll('.ledger-row').length === 11);
  assert.deepEqual(await page.locator('.ledger-row strong').allInnerTexts(), ['thing-77', ...Array.from({ length: 10 }, (_, i) => `thing-77${i}`)]);
  await key('Enter', '*');
  await settled(() => key('c'));
  assert.equal((await names('code')).length, 11);
});

test('a zip brings in what can be read, tells what cannot, and OpenRaster keeps its layers', async () => {
  const picture = PNG.sync.write(Object.assign(new PNG({ width: 40, height: 30 }), {}));
  const ora = zipSync({
    mimetype: [Buffer.from('image/openraster'), { level: 0 }],
    'stack.xml': Buffer.from('<image w="40" h="30"><stack><layer name="moon" src="data/a.png" x="2"/><stack name="ground"><layer name="hill" src="data/a.png"/></stack></stack></image>'),
    'data/a.png': picture,
  });
  const zip = zipSync({ 'in/card.ora': ora, 'in/photo.png': picture, 'in/broken.svg': Buffer.from('<svg'), 'in/notes.txt': Buffer.from('nothing') });
  await page.goto(server.address);
  await page.setInputFiles('.foot input[type=file]', { name: 'all.zip', mimeType: 'application/zip', buffer: Buffer.from(zip) });
  await page.waitForSelector('text=broken.svg was not brought in');
  assert.equal(await page.locator('.bring-in-results p.good').count(), 2);
  await page.click('text=Open the project');
  await page.waitForSelector('.screen-card');
  assert.deepEqual(await page.locator('.design-head h1').allInnerTexts(), ['Card', 'Photo']);
  await page.click('.screen-face >> nth=0');
  await page.waitForSelector('.ledger-row');
  assert.deepEqual((await list()).map(r => r.name), ['Card', 'ground', 'hill', 'moon']);
});

test('a board is framed by hand and everything can be undone', async () => {
  await page.goto(`${server.address}/projects/3/designs/${await page.evaluate(async () => (await (await fetch('/projects/3')).text()).match(/data-design="(\d+)"/)[1])}/screens`);
  await page.waitForSelector('.frame');
  const paper = await page.locator('.board-paper').boundingBox();
  await page.mouse.move(paper.x + 20, paper.y + 20);
  await page.mouse.down();
  await page.mouse.move(paper.x + paper.width / 2, paper.y + paper.height / 2, { steps: 4 });
  await page.mouse.up();
  await page.waitForFunction(() => document.querySelector('.board-screens input').value === 'Screen 1');
  for (const [label, value] of [['left', '500'], ['top', '500'], ['width', '300'], ['height', '200']]) {
    await page.fill(`.frame-form label:has-text("${label}") input`, value);
  }
  await page.click('.frame-form button:has-text("Add")');
  await page.waitForFunction(() => document.querySelectorAll('.board-screens li').length === 2);
  await page.fill('.board-screens li:nth-child(3) input, .board-screens li:last-child input', 'Lower part');
  await key('Enter');
  await page.waitForFunction(() => [...document.querySelectorAll('.frame span')].some(s => s.textContent === 'Lower part'));
  for (let i = 0; i < 3; i++) {
    await Promise.all([page.waitForResponse(/\/undo$/), page.click('button:has-text("Undo")')]);
  }
  await page.waitForFunction(() => document.querySelectorAll('.board-screens li').length === 1 && document.querySelector('.board-screens input').value === 'Many');
});

test('findings are fixed one by one and all at once, and taken back', async () => {
  await page.goto(`${server.address}/projects/1/checks`);
  await page.waitForSelector('.check-block');
  const photos = page.locator('.check-block', { hasText: 'photo not shipped' });
  const before = await photos.locator('li').count();
  assert.ok(before > 1);
  await photos.locator('button', { hasText: 'fix all' }).click();
  await photos.waitFor({ state: 'detached' });
  await page.locator('button:has-text("Undo")').click();
  await photos.waitFor();
  assert.equal(await photos.locator('li').count(), before);
  await photos.locator('li button').first().click();
  await page.waitForFunction(n => [...document.querySelectorAll('.check-block')].find(b => b.innerText.includes('photo not shipped')).querySelectorAll('li').length === n, before - 1);
  await page.goto(`${server.address}/projects/1/ships`);
  await page.waitForSelector('.ship-card');
  const shipped = await page.locator('.ship-card').count();
  await page.click('button:has-text("list")');
  assert.equal(await page.locator('.ship-list tbody tr').count(), shipped);
  await page.locator('.ship-list tbody a').first().click();
  await page.waitForSelector('.ledger-row.picked');
});

test('no page complained in its console', () => assert.deepEqual(problems, []));
