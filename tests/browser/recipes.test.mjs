// Recipes, own kinds, tags with a preview, a closer look, and builds of a part.
import assert from 'node:assert/strict';
import { after, before, test } from 'node:test';
import { unzipSync } from 'fflate';
import { launch, newPage } from './browser.mjs';
import { serve } from './server.mjs';

let server, browser, page;
const problems = [];

before(async () => {
  server = await serve();
  browser = await launch();
  page = await newPage(browser, { viewport: { width: 1280, height: 800 } });
  page.on('pageerror', e => problems.push(e.message));
  page.on('console', m => m.type() === 'error' && !/409/.test(m.text()) && problems.push(m.text()));
});
after(async () => {
  await browser?.close();
  await server?.stop();
});
const recipe = name => page.locator(`input[aria-label="Recipe ${name}"]`);
const keep = () => Promise.all([page.waitForResponse(r => r.url().endsWith('/recipes') && r.request().method() === 'POST' && r.ok()), page.click('button:has-text("Keep this recipe")')]);
const paths = () => page.evaluate(async () => (await kalypto.get('/api/projects/1/pack?most=9999')).files.map(f => f.file.path));

test('a changed recipe says first what it changes, by words and by a living example', async () => {
  await page.goto(`${server.address}/projects/1/recipes#icon`);
  assert.equal(await recipe('everywhere').inputValue(), 'svg crop:shape');
  await page.waitForFunction(() => document.querySelector('.example')?.textContent.includes('web/icons/bell.svg'));
  await recipe('Web').fill('svg png scale:1x,2x');
  await page.waitForFunction(() => /1 layer: 2 files more, heavier by/.test(document.querySelector('.effect').textContent));
  await page.waitForFunction(() => document.querySelector('.example').textContent.includes('bell@2x.png'));
  assert.ok(!(await paths()).includes('web/icons/bell@2x.png'), 'nothing is changed before it is kept');
  await keep();
  assert.ok((await paths()).includes('web/icons/bell@2x.png'));
  await page.waitForFunction(() => /changed/.test(document.querySelector('.kinds button').innerText));
  await page.click('button:has-text("Undo")');
  await page.waitForFunction(() => document.querySelector('input[aria-label="Recipe Web"]').value === '');
  assert.ok(!(await paths()).includes('web/icons/bell@2x.png'));
});

test('a word that a recipe cannot hold is told and kept from being kept', async () => {
  await recipe('Web').fill('svgg');
  await page.waitForFunction(() => document.querySelector('.sums [role=alert]').textContent.includes('Did you mean “svg”?'));
  assert.ok(await page.locator('button:has-text("Keep this recipe")').isDisabled());
  await recipe('Web').press('Escape');
  await recipe('Web').focus();
  await page.click('.recipe-line.open .pill[data-format=webp]');
  await page.waitForFunction(() => document.querySelector('input[aria-label="Recipe Web"]').value === 'webp');
  await recipe('Web').press('Escape');
});

test('every word of a recipe has a control, and each leaves the others as they are', async () => {
  const line = recipe('Plain folders');
  const says = words => page.waitForFunction(([words]) => document.querySelector('input[aria-label="Recipe Plain folders"]').value === words, [words]);
  const control = name => page.locator(`.recipe-controls [aria-label="${name}"]`);
  await line.focus();
  await line.fill('credit webp');
  await control('Quality of WebP').fill('auto');
  await says('credit webp:auto');
  await page.click('.recipe-controls .pill[data-format=jpeg]');
  await control('Sizes').selectOption('scale');
  await control('Sizes made').fill('1x,4x');
  await says('credit webp:auto jpeg scale:1x,4x');
  await control('Sizes').selectOption('wide');
  await says('credit webp:auto jpeg wide:480');
  await control('Crop').selectOption('box');
  await control('Box width in points').fill('40');
  await control('Where in the box').selectOption('top-left');
  await says('credit webp:auto jpeg wide:480 crop:40x28@top-left');
  await control('Bleed in points').fill('2');
  await control('Folder').fill('art/small');
  await control('Behind the name').fill('dark');
  await control('Under it').selectOption('colour');
  await control('Credit').selectOption('no');
  await says('-credit webp:auto jpeg wide:480 crop:40x28@top-left bleed:2 to:art/small suffix:dark over:#ffffff');
  // What is typed is what the controls show, and what is not understood is told from either.
  await line.fill('png crop:ink over:screen');
  await page.waitForFunction(() => ['Crop', 'Under it', 'Sizes'].map(name => document.querySelector(`.recipe-controls [aria-label="${name}"]`).value).join() === 'ink,screen,');
  await control('Crop').selectOption('');
  await control('Under it').selectOption('');
  await page.click('.recipe-controls .pill[data-format=png]');
  await says('');
  await control('Bleed in points').fill('a lot');
  await page.waitForFunction(() => /“bleed:alot” is not a tag. Did you mean “bleed:8”/.test(document.querySelector('.sums [role=alert]').textContent));
  await page.click('button:has-text("Back")');
  assert.equal(await line.inputValue(), 'png svg');
});

test('no control is shown that has no effect: the icons of an app have the formats of their platforms', async () => {
  await page.click('.kinds button:has-text("app-icon")');
  await recipe('Web').focus();
  await page.waitForSelector('.recipe-controls [aria-label="Under it"]');
  assert.deepEqual([await page.locator('.recipe-controls .pill').first().isVisible(), await page.locator('.recipe-controls [aria-label="Sizes"]').isVisible()], [false, false]);
  await recipe('Web').press('Escape');
  await page.click('.kinds button:has-text("icon") >> nth=0');
  await recipe('Web').focus();
  await page.waitForSelector('.recipe-controls .pill');
  await recipe('Web').press('Escape');
});

test('while two pictures want one path, a preview still says what changes', async () => {
  const edit = (name, body) => page.evaluate(async ([name, body]) => {
    const bench = await kalypto.get('/api/projects/1/bench/1/1');
    const layer = bench.rows.find(r => r.name === name || r.drawnName === name).ordinal;
    return kalypto.post('/api/projects/1/edit', { design: 1, screen: 1, layers: [layer], ...body });
  }, [name, body]);
  await edit('saturn', { decision: 'Ship', name: 'bell', tags: 'icon to:icons' });
  assert.ok((await page.evaluate(() => kalypto.get('/api/projects/1/pack'))).sum.blockers > 0);
  const { effect } = await page.evaluate(() => kalypto.post('/api/projects/1/recipes/preview', { do: 'words', kind: 'icon', platform: 'web', tags: 'svg png scale:1x' }));
  assert.match(effect, /^2 layers: 2 files more/);
  await page.evaluate(() => kalypto.post('/api/projects/1/undo', { design: 1, screen: 1, layers: [] }));
  await page.evaluate(() => kalypto.post('/api/projects/1/undo', { design: 1, screen: 1, layers: [] }));
  await page.evaluate(() => kalypto.post('/api/projects/1/undo', { design: 1, screen: 1, layers: [] }));
});

test('after a recipe is kept from its field, Z takes it back', async () => {
  await page.goto(`${server.address}/projects/1/recipes`);
  await page.waitForSelector('.recipe-line');
  const before = await recipe('everywhere').inputValue();
  await recipe('everywhere').fill(`${before} bleed:3`.trim());
  await page.waitForFunction(() => !document.querySelector('.sums .btn-next').disabled, null, { timeout: 300_000 });
  const kept = page.waitForResponse(r => r.url().endsWith('/recipes') && r.request().method() === 'POST' && r.ok());
  await page.keyboard.press('Enter');
  await kept;
  await page.waitForFunction(() => document.activeElement.getAttribute('aria-keyshortcuts') === 'z', null, { timeout: 300_000 });
  await page.keyboard.press('z');
  await page.waitForFunction(before => document.querySelector('[aria-label="Recipe everywhere"]').value === before, before, { timeout: 300_000 });
});

test('a kind of the team’s own is a word of the tag line and has a recipe', async () => {
  await page.fill('#kind-new', 'Badge');
  await page.press('#kind-new', 'Enter');
  await page.waitForSelector('h2:has-text("badge")');
  await recipe('everywhere').fill('webp:auto scale:2x to:badges');
  assert.equal(await recipe('Web').getAttribute('placeholder'), 'webp:auto scale:2x to:badges', 'platforms show at once what they inherit');
  await page.waitForFunction(() => /same files/.test(document.querySelector('.effect').textContent));
  await keep();
  await page.goto(`${server.address}/projects/1/bench/1/1`);
  await page.waitForSelector('.ledger-row');
  await page.evaluate(() => Alpine.$data(document.querySelector('.bench')).goTo(benchRows.list.find(r => r.name === 'saturn').ordinal));
  await page.locator('.rows').focus();
  await page.keyboard.press('s');
  await page.waitForFunction(() => benchRows.list.find(r => r.name === 'saturn').decision === 'ship' && Alpine.$data(document.querySelector('.bench')).pending === 0);
  await page.keyboard.press('/');
  await page.keyboard.type('badge ');
  await page.waitForFunction(() => /1 layer: 1 file more|1 layer: .*fewer/.test(document.querySelector('.tag-head .good').textContent));
  await Promise.all([page.waitForResponse(/\/edit$/), page.keyboard.press('Enter')]);
  await page.waitForFunction(() => benchRows.list.find(r => r.name === 'saturn').kind === 'badge');
  assert.ok((await paths()).includes('web/badges/saturn@2x.webp'));
  // The line before comes back with the arrow.
  await page.keyboard.press('/');
  await page.keyboard.press('ArrowUp');
  assert.equal(await page.locator('.tag-line input').inputValue(), 'badge');
  await page.keyboard.press('Escape');
});

test('an opened row says which value holds and whence, and its box is typed and dragged', async () => {
  await page.evaluate(() => { const c = Alpine.$data(document.querySelector('.bench')); const row = benchRows.list.find(r => r.name === 'bell'); c.goTo(row.ordinal); return c.toggleOpen(row); });
  await page.waitForSelector('.held tr');
  const held = (await page.locator('.held').innerText()).replace(/\s+/g, ' ');
  assert.match(held, /kind icon said here/);
  assert.match(held, /made as · Android vector recipe for icon on Android/);
  assert.match(held, /folder icons\/ said here/);
  await page.fill('.box-form input[name=w]', '28');
  await page.fill('.box-form input[name=h]', '28');
  await page.selectOption('.box-form select', 'top-left');
  await Promise.all([page.waitForResponse(/\/edit$/), page.click('.box-form button')]);
  await page.waitForFunction(() => benchRows.list.find(r => r.name === 'bell').size === '28×28');
  await page.waitForFunction(() => document.querySelector('.box-frame.fixed') && Alpine.$data(document.querySelector('.bench')).pending === 0);
  const frame = await page.locator('.box-frame').boundingBox();
  await page.mouse.move(frame.x + frame.width / 2, frame.y + frame.height / 2);
  await page.mouse.down();
  await page.mouse.move(frame.x + frame.width / 2 - 22, frame.y + frame.height / 2 - 22, { steps: 4 });
  await Promise.all([page.waitForResponse(/\/edit$/), page.mouse.up()]);
  await page.waitForFunction(() => benchRows.list.find(r => r.name === 'bell').tags.some(t => /^crop:28x28@-\d+,-\d+$/.test(t)));
});

test('a closer look magnifies a file and holds it against another quality', async () => {
  await page.goto(`${server.address}/projects/1/pack`);
  await page.waitForFunction(() => /(\d+) of \1 drawn ahead/.test(document.querySelector('.sums').innerText), null, { timeout: 3_600_000 });
  await page.click('.choice button:has-text("list")');
  await page.selectOption('select[aria-label="Platform"]', 'web');
  await page.waitForFunction(() => [...document.querySelectorAll('.pack-list tbody tr')].every(r => r.textContent.startsWith('web/')));
  await page.click('.pack-list a:has-text("web/moon-phase.png")');
  await page.waitForSelector('.loupe img');
  assert.match(await page.locator('.closer-path').innerText(), /web\/moon-phase\.png/);
  assert.deepEqual(await page.locator('.device figcaption').allInnerTexts(), ['1x 1x', '2x 2x', '3x 3x']);
  // A large picture is seen through the screens part by part, on all of them the same.
  await page.waitForFunction(() => document.querySelectorAll('.device img[src]').length === 3);
  const frame = () => page.locator('.device-frame').evaluate(e => [parseFloat(e.style.left), parseFloat(e.style.top)]);
  const tops = () => page.locator('.device img').evaluateAll(images => images.map(i => parseFloat(i.style.top)));
  const [left, top] = await frame();
  await page.locator('.device-map').press('ArrowUp');
  assert.ok((await frame())[1] < top && (await frame())[0] === left);
  assert.equal(new Set(await tops()).size, 1);
  await page.locator('.device-whole').click({ position: { x: 1, y: 1 } });
  assert.deepEqual([await frame(), await tops()], [[0, 0], [0, 0, 0]]);
  const glass = await page.locator('.device-glass').first().boundingBox();
  await page.mouse.move(glass.x + 60, glass.y + 60);
  await page.mouse.down();
  await page.mouse.move(glass.x + 30, glass.y + 50, { steps: 3 });
  await page.mouse.up();
  assert.deepEqual(await page.locator('.device img').first().evaluate(e => [parseFloat(e.style.left), parseFloat(e.style.top)].map(Math.round)), [-30, -10]);
  await page.click('.closer button:has-text("4×")');
  const { width } = await page.locator('.loupe img').first().boundingBox();
  assert.equal(Math.round(width), 265 * 4);
  await page.fill('.closer-side input', 'webp:20');
  await page.click('.closer-side form button');
  await page.waitForFunction(() => /% lighter · likeness 0\.\d+/.test(document.querySelector('.facts').textContent));
  const share = value => page.locator(`.divider[aria-valuenow="${value}"]`).waitFor();
  await share(50);
  await page.locator('.divider').press('ArrowRight');
  await share(52);
  await page.fill('.closer-side input', 'webp:lossless');
  await page.click('.closer-side form button');
  await page.waitForFunction(() => /equal in every pixel/.test(document.querySelector('.facts').textContent));
  await page.fill('.closer-side input', 'gif:60');
  await page.click('.closer-side form button');
  await page.waitForFunction(() => /no format with a quality/.test(document.querySelector('.closer-side [role=alert]').textContent));
});

test('the pack is found by name, folder, format and weight, and its sums are of what was found', async () => {
  await page.goto(`${server.address}/projects/1/pack`);
  const all = (await paths()).length;
  const foot = () => page.locator('.sums strong').first().innerText();
  assert.match(await foot(), new RegExp(`^${all} files · `));
  await page.click('.choice button:has-text("list")');
  await page.fill('.search input', 'MOON');
  await page.waitForFunction(() => { const rows = [...document.querySelectorAll('.pack-list tbody tr')]; return rows.length && rows.every(r => /moon/i.test(r.textContent)); });
  const moons = await page.locator('.pack-list tbody tr').count();
  assert.match(await foot(), new RegExp(`^${moons} of ${all} files · `));
  await page.selectOption('select[aria-label="Sorted by"]', 'weight');
  await page.waitForFunction(() => { const px = [...document.querySelectorAll('.pack-list tbody tr td:nth-child(7)')].map(c => +c.textContent.split('×')[0]); return px[0] === Math.max(...px); });
  await page.click('.tree button:has-text("web/")');
  await page.waitForFunction(() => [...document.querySelectorAll('.pack-list tbody tr')].every(r => r.textContent.startsWith('web/')));
  await page.click('.choice button:has-text("sums")');
  const table = page.locator('.sum-tables table:has(caption:text-is("by platform")) tbody tr');
  assert.match((await table.allInnerTexts()).join(), /^web\s+3\s/);
  await page.selectOption('select[aria-label="Format"]', 'svg');
  await page.waitForSelector('p.empty:has-text("No file is like that")');
  await page.click('p.empty button:has-text("Show all")');
  await page.waitForFunction(n => document.querySelector('.sums strong').textContent.startsWith(`${n} files`), all);
});

test('what is in sight on the pack page is asked for first', async () => {
  await page.click('.choice button:has-text("cards")');
  await page.evaluate(async () => {
    const layer = (await kalypto.get('/api/projects/1/bench/1/1')).rows.find(r => r.name === 'moon-phase').ordinal;
    await kalypto.post('/api/projects/1/edit', { design: 1, screen: 1, layers: [layer], tags: 'avif:auto scale:3.4x,3.6x' });
  });
  const asked = page.waitForRequest(/\/pack\/looked$/);
  await page.goto(`${server.address}/projects/1/pack`);
  await page.selectOption('select[aria-label="Platform"]', 'web');
  const { keys } = (await asked).postDataJSON();
  const seen = await page.evaluate(() => [...document.querySelectorAll('[data-key]')].filter(e => e.getBoundingClientRect().top < innerHeight).map(e => e.dataset.key));
  assert.ok(keys.length && keys.every(k => seen.includes(k)), `${keys.length} keys, of ${seen.length} in sight`);
  await page.evaluate(() => kalypto.post('/api/projects/1/undo', { design: 1, screen: 1, layers: [] }));
});

test('what is said between the making of a page and its first ear is not missed', async () => {
  const other = await newPage(browser);
  await other.goto(`${server.address}/projects/1/pack`);
  await page.route('**/events?*', async route => {
    await other.evaluate(() => kalypto.post('/api/projects/1/recipes', { do: 'budget', kind: null, weight: '77kB' }));
    await route.continue();
  }, { times: 1 });
  await page.goto(`${server.address}/projects/1/pack`);
  await page.waitForFunction(() => /of 77 kB/.test(document.querySelector('.budget-bar')?.textContent ?? ''));
  await other.evaluate(() => kalypto.post('/api/projects/1/undo'));
  await page.waitForFunction(() => !document.querySelector('.budget-bar'));
  await other.close();
});

test('a part is built by itself, with just the files that go with it', async () => {
  // A busy machine paints late: what a page leads to is not there before.
  await page.addInitScript(() => {
    const frame = window.requestAnimationFrame;
    if (location.pathname.endsWith('/deliveries')) {
      window.requestAnimationFrame = then => frame(() => setTimeout(() => frame(then), 200));
    }
  });
  await page.goto(`${server.address}/projects/1/pack`);
  await page.selectOption('select[aria-label="Platform"]', 'apple');
  await page.waitForSelector('.sums button:text-is("Build only Apple")');
  // What is shown can be built, whatever narrowed it down.
  await page.fill('input[type=search]', 'bell');
  await page.waitForSelector('.sums button:text-is("Build only Apple, “bell”")');
  await page.fill('input[type=search]', '');
  await page.waitForSelector('.sums button:text-is("Build only Apple")');
  await page.click('.sums button:has-text("Build only")');
  await page.waitForFunction(() => document.querySelector('.build')?.dataset.state === 'done', null, { timeout: 3_600_000 });
  assert.match(await page.locator('.build').first().innerText(), /only Apple/);
  await page.waitForFunction(() => document.activeElement === document.querySelector('.build a[download]'), null, { timeout: 300_000 });
  const zip = await (await page.request.get(server.address + await page.locator('.build a[download]').first().getAttribute('href'))).body();
  const names = Object.keys(unzipSync(zip));
  assert.ok(names.length > 5 && names.every(n => n.startsWith('apple/') || n === 'manifest.json'), names.join(' '));
});

test('recipes go out as a file and come in again', async () => {
  await page.goto(`${server.address}/projects/1/recipes`);
  await page.click('.kinds button:has-text("The whole project")');
  const json = await (await page.request.get(`${server.address}/projects/1/recipes.json`)).text();
  assert.equal(JSON.parse(json).kinds.badge.all, 'webp:auto scale:2x to:badges');
  const bring = text => page.setInputFiles('.file-label input', { name: 'recipes.json', mimeType: 'application/json', buffer: Buffer.from(text) });
  const keepIt = () => Promise.all([page.waitForResponse(r => r.url().endsWith('/recipes') && r.request().method() === 'POST' && r.ok()), page.click('button:has-text("Keep this recipe")')]);
  await bring(json.replace('"badge"', '"other"'));
  await page.waitForFunction(() => document.querySelector('.sums [role=alert]').textContent.includes('know no kind “badge”'));
  await bring('{}');
  await page.waitForFunction(() => document.querySelector('.sums [role=alert]').textContent.includes('kalypto-recipes'));
  await bring(json.replace('scale:2x', 'scale:1x'));
  await page.waitForFunction(() => /^This changes 1 layer: \d files? more, \d fewer/.test(document.querySelector('.effect').textContent));
  assert.ok(!(await paths()).includes('web/badges/saturn.webp'), 'nothing is changed before it is kept');
  await keepIt();
  assert.ok((await paths()).includes('web/badges/saturn.webp'));
  await page.fill('input[aria-label="Budget of the pack"]', '3kB');
  await Promise.all([page.waitForResponse(r => r.url().endsWith('/recipes') && r.ok()), page.press('input[aria-label="Budget of the pack"]', 'Enter')]);
  await page.goto(`${server.address}/projects/1/pack`);
  assert.match(await page.locator('.budget-bar.over').innerText(), /the whole pack/);
});

test('the recipe of one kind comes from another project, alone and seen before it is kept', async () => {
  await page.goto(server.address);
  await page.setInputFiles('.foot input[type=file]', { name: 'shop.svg', mimeType: 'image/svg+xml', buffer: Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 90 90"><rect id="card" width="40" height="40"/></svg>') });
  await page.waitForURL(/projects\/2$/);
  await page.evaluate(async () => {
    const post = wish => kalypto.post('/api/projects/2/recipes', wish);
    await post({ do: 'words', kind: 'icon', platform: 'web', tags: 'png scale:1x' });
    await post({ do: 'words', kind: 'photo', platform: null, tags: 'gif' });
    await post({ do: 'add', kind: 'stamp' });
  });
  const book = () => page.evaluate(async () => (await kalypto.get('/api/projects/1/recipes')).kinds);
  await page.goto(`${server.address}/projects/1/recipes#icon`);
  await page.selectOption('select[aria-label="Take this recipe from"]', { label: 'Shop' });
  await page.waitForFunction(() => /^This changes 1 layer/.test(document.querySelector('.effect').textContent));
  assert.equal((await book()).find(k => k.kind === 'icon').isChanged, false);
  await keep();
  assert.equal((await book()).find(k => k.kind === 'icon').lines.find(l => l.platform === 'web').words, 'png scale:1x');
  assert.equal((await book()).find(k => k.kind === 'photo').isChanged, false);
  await page.click('.kinds button:has-text("The whole project")');
  await page.selectOption('select[aria-label="Take recipes from"]', { label: 'stamp of Shop' });
  await page.waitForFunction(() => /^This changes nothing/.test(document.querySelector('.effect').textContent));
  await keep();
  assert.ok((await book()).some(k => k.kind === 'stamp' && k.isOwn));
  await page.selectOption('select[aria-label="Take recipes from"]', { label: 'all of Shop' });
  await page.waitForFunction(() => /know no kind “badge”/.test(document.querySelector('.sums [role=alert]').textContent));
  await page.click('button:has-text("Back")');
});

test('a build of what is picked goes on where it was after the server was stopped', async () => {
  await page.goto(`${server.address}/projects/1/bench/1/1`);
  await page.waitForSelector('.ledger-row');
  // Formats that take their time, so that the stop comes in the middle.
  await page.evaluate(async () => {
    const c = Alpine.$data(document.querySelector('.bench'));
    c.picked = [benchRows.list.find(r => r.name === 'moon-phase').ordinal];
    await c.edit({ tags: 'avif:auto webp:auto jpeg:auto scale:1x,2x,3x,4x' });
  });
  await page.waitForSelector('button:has-text("build only these"):visible');
  await page.click('button:has-text("build only these")');
  await page.waitForSelector('.build[data-state=running]');
  // What is said later is of a later build, also when this one goes on after a stop.
  await page.evaluate(async () => {
    const layer = (await kalypto.get('/api/projects/1/bench/1/1')).rows.find(r => r.name === 'moon-phase').ordinal;
    await kalypto.post('/api/projects/1/edit', { design: 1, screen: 1, layers: [layer], tags: '-avif to:later' });
  });
  assert.ok((await paths()).includes('web/later/moon-phase@4x.webp'));
  const { database } = server;
  await page.goto('about:blank');
  await server.stop();
  server = await serve({ database });
  await page.goto(`${server.address}/projects/1/deliveries`);
  await page.waitForFunction(() => document.querySelector('.build')?.dataset.state === 'done', null, { timeout: 3_600_000 });
  assert.match(await page.locator('.build').first().innerText(), /only 1 picked layer/);
  const zip = await (await page.request.get(server.address + await page.locator('.build a[download]').first().getAttribute('href'))).body();
  const names = Object.keys(unzipSync(zip)).filter(n => /\.(png|webp|avif|jpg)$/.test(n));
  assert.ok(names.includes('web/moon-phase@4x.avif') && names.every(n => /moon.phase/.test(n) && !/later/.test(n)), names.join(' '));
});

test('where the keyboard is can be seen on every page', async () => {
  for (const end of ['', '/bench/1/1', '/checks', '/recipes', '/pack', '/deliveries', '/people']) {
    await page.goto(`${server.address}/projects/1${end}`);
    let stops = 0;
    for (; stops < 80; stops++) {
      await page.keyboard.press('Tab');
      const unseen = await page.evaluate(() => {
        const at = document.activeElement;
        // A field within a label or a button shows it there.
        const shows = e => { const style = getComputedStyle(e); return style.outlineStyle !== 'none' && parseFloat(style.outlineWidth) > 0 || style.boxShadow !== 'none'; };
        return at === document.body ? null : shows(at) || at.closest('label') && shows(at.closest('label')) ? '' : at.outerHTML.slice(0, 200);
      });
      if (unseen === null) {
        break;
      }
      assert.equal(unseen, '', end);
    }
    assert.ok(stops > 8, `${stops} stops of Tab at ${end}`);
  }
});

test('no page complained in its console', () => assert.deepEqual(problems, []));
