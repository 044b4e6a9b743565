// Five drafts of one board, as a designer brings them in, and a place in a checkout that follows. In the end the checkout
// holds exactly what the truth says: whoever drew the board knows which picture is which.
import assert from 'node:assert/strict';
import { execFileSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { after, before, test } from 'node:test';
import { launch, newPage } from './browser.mjs';
import { serve } from './server.mjs';

const checkout = mkdtempSync(join(tmpdir(), 'kalypto-checkout-'));
const assets = join(checkout, 'assets');
const inbox = mkdtempSync(join(tmpdir(), 'kalypto-inbox-'));
const git = (...words) => execFileSync('git', ['-C', checkout, '-c', 'user.name=Dev', '-c', 'user.email=dev@larkrise.example', ...words], { encoding: 'utf8' });
let server, browser, page, project, design;

before(async () => {
  git('init', '--quiet');
  writeFileSync(join(checkout, 'README.txt'), 'of the developers');
  server = await serve({ demo: false, more: ['--Deliver:0', checkout, '--Inbox:0', inbox] });
  browser = await launch();
  page = await newPage(browser, { viewport: { width: 1280, height: 800 } });
});
after(async () => {
  await browser?.close();
  await server?.stop();
});

// Rows of a list, each with a card, a chevron that all share and an icon of its own, known by its colour.
const icons = { lamp: 'M0 0l24 9-9 15z', rose: 'M0 0l24 24-24-6z', bench: 'M0 6h24v12l-24 6z', fence: 'M0 0l12 6 12-6v24h-24z', gate: 'M12 0l12 24h-24z', vane: 'M0 12l24-12-6 24z' };
const board = ({ rows, group = 'list', called = {}, times = 1 }) => `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${375 * times} ${812 * times}"><g transform="scale(${times})"><rect data-name="ground" width="375" height="812" fill="#f3e9d2"/><g data-name="${group}">${Object.entries(rows).map(([name, paint], n) =>
  `<g><rect data-name="card" x="16" y="${60 * n + 16}" width="343" height="48" rx="6" fill="#fffdf7"/><path data-name="${called[name] ?? name}" transform="translate(28 ${60 * n + 28})" d="${icons[name]}" fill="${paint}"/><path data-name="chevron" transform="translate(330 ${60 * n + 34})" d="M0 0l6 6-6 6" fill="none" stroke="#5a6b70"/></g>`).join('')}</g></g></svg>`;
const first = { lamp: '#b8402a', rose: '#173a45', bench: '#2c6e54', fence: '#7a4f8a', gate: '#a8702a' };
const buffer = draft => ({ name: 'garden.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(board(draft)) });

// What is asked again and again is asked beside the page, which may be on its way to another one.
const api = async (path, body) => body ? page.evaluate(([p, b]) => kalypto.post(p, b), [`/api/projects/${project}/${path}`, body])
  : (await fetch(`${server.address}/api/projects/${project}/${path}`)).json();
const go = path => page.goto(`${server.address}/projects/${project}${path}`);
const ready = () => page.waitForFunction(() => document.querySelector('.foot input[type=file]')?.closest('[x-data]')._x_dataStack);
const place = async () => (await api('places')).places[0];
const until = async isSo => {
  while (!await isSo()) {
    await new Promise(done => { setTimeout(done, 200); });
  }
};
const isDraft = number => until(async () => (await api(`designs/${design}/changes`)).number === number);
// The picture files of the place: in which folder, and with which colour.
const pictures = () => Object.fromEntries(!existsSync(assets) ? [] : readdirSync(assets, { recursive: true, withFileTypes: true }).filter(f => f.isFile() && f.name.endsWith('.svg') && f.name !== 'sprite.svg').map(f => {
  const path = join(f.parentPath, f.name);
  return [path.slice(assets.length + 1), readFileSync(path, 'utf8').match(/#[0-9a-f]{6}/)?.[0] ?? readFileSync(path, 'utf8')];
}));
const holds = async expected => {
  await until(async () => (await place()).waitsFor === '' && JSON.stringify(Object.entries(pictures()).sort()) === JSON.stringify(Object.entries(expected).sort()));
};
const agree = async () => {
  await go('/deliveries');
  await page.locator('.place button', { hasText: 'Move them' }).click();
};
const inFolder = (folder, rows) => Object.fromEntries(Object.entries(rows).map(([name, paint]) => [`${folder}/${name}.svg`, paint]));

test('the first draft is decided on and delivered to a place in a checkout', async () => {
  await page.goto(`${server.address}/`);
  project = (await page.evaluate(() => kalypto.post('/api/projects/new', { name: 'Garden', platforms: ['web'] }))).project;
  await go('');
  await ready();
  await page.setInputFiles('.foot input[type=file]', buffer({ rows: first }));
  await page.locator('.design').waitFor();
  design = await page.evaluate(() => Number(document.querySelector('.design').dataset.design));
  const { root } = (await api(`designs/${design}/screens`)).screens[0];
  const { rows } = await api(`bench/${design}/${root}`);
  for (const name of Object.keys(first)) {
    const layers = [rows.find(r => (r.drawnName ?? r.name) === name).ordinal];
    await api('edit', { design, screen: root, layers, decision: 'Ship' });
    await api('edit', { design, screen: root, layers, tags: 'icon' });
  }
  const { id } = await api('places', { root: 0, folder: 'assets', platform: 'web' });
  await api(`places/${id}/follows`, { value: true });
  await until(() => Object.keys(pictures()).length === 5);
  const [folder] = Object.keys(pictures())[0].split('/');
  assert.equal(folder, 'list');
  await holds(inFolder('list', first));
  git('add', '.');
  git('commit', '--quiet', '-m', 'Take the icons');
});

test('a row on top by the button moves nothing to its neighbour', async () => {
  await go('');
  await ready();
  const [choice] = await Promise.all([page.waitForEvent('filechooser'), page.locator('.design').getByText('a newer drawing').click()]);
  await choice.setFiles(buffer({ rows: { vane: '#405a9c', ...first, rose: '#c92a60' } }));
  await page.waitForURL(/changes$/);
  await isDraft(2);
  await holds(inFolder('list', { ...first, rose: '#c92a60' }));
  assert.equal(git('diff', '--name-only', '--', 'assets/list').trim(), 'assets/list/rose.svg');
});

test('a dropped draft renames, removes and moves to another folder, which waits for a yes', async () => {
  const { gate, ...left } = { vane: '#405a9c', ...first, rose: '#c92a60' };
  assert.ok(gate);
  await go('');
  await ready();
  await page.evaluate(async text => {
    const data = new DataTransfer();
    data.items.add(new File([text], 'garden.svg', { type: 'image/svg+xml' }));
    document.querySelector('main, body').dispatchEvent(new DragEvent('drop', { dataTransfer: data, bubbles: true, cancelable: true }));
  }, board({ rows: left, group: 'garden', called: { bench: 'seat' } }));
  await page.waitForURL(/changes$/);
  await isDraft(3);
  await until(async () => (await place()).moves.length > 0);
  assert.ok(existsSync(join(assets, 'list/lamp.svg')));
  await agree();
  const { vane, ...shipped } = left;
  assert.ok(vane);
  // A file keeps its name where the drawing calls its layer otherwise.
  await holds(inFolder('garden', shipped));
});

test('what somebody changed in the place waits, is left to them, and is not asked again', async () => {
  const { folder } = await api('inbox', {});
  writeFileSync(join(assets, 'garden/rose.svg'), 'by hand');
  const rows = { vane: '#405a9c', lamp: '#d0902a', rose: '#e0a0b0', bench: first.bench, fence: first.fence };
  // Through the inbox, saved at twice the size.
  writeFileSync(join(folder, 'garden.svg'), board({ rows, group: 'garden', called: { bench: 'seat' }, times: 2 }));
  await isDraft(4);
  await until(async () => /rose\.svg/.test((await place()).waitsFor));
  await go('/deliveries');
  await page.locator('.place button', { hasText: 'Look what it would do' }).click();
  await page.locator('.place input[value="leave"]').click();
  await page.locator('.place button', { hasText: /^Deliver/ }).click();
  await holds({ ...inFolder('garden', { lamp: '#d0902a', bench: first.bench, fence: first.fence }), 'garden/rose.svg': 'by hand' });
  assert.match(readFileSync(join(assets, 'garden/lamp.svg'), 'utf8'), /width="24"/);
  // The fifth: what was gone is back, with all that was said of it.
  writeFileSync(join(folder, 'garden.svg'), board({ rows: { ...rows, rose: '#7090a0', gate: first.gate }, group: 'garden', called: { bench: 'seat' }, times: 2 }));
  await isDraft(5);
  await holds({ ...inFolder('garden', { lamp: '#d0902a', bench: first.bench, fence: first.fence, gate: first.gate }), 'garden/rose.svg': 'by hand' });
});

test('back to the first draft and on again, and the checkout holds what the truth says', async () => {
  const hold = async number => {
    await go(`/designs/${design}/changes`);
    await page.locator('.drafts-menu summary').click();
    await Promise.all([page.waitForEvent('framenavigated'), page.locator('.drafts-list li', { hasText: `draft ${number}` }).getByText('let it hold again').click()]);
    await page.waitForLoadState();
    await isDraft(number);
    await until(async () => (await place()).moves.length > 0);
    await agree();
  };
  await hold(1);
  await until(async () => pictures()['list/gate.svg'] === first.gate && (await place()).waitsFor === '');
  await hold(5);
  await holds({ ...inFolder('garden', { lamp: '#d0902a', bench: first.bench, fence: first.fence, gate: first.gate }), 'garden/rose.svg': 'by hand' });
  assert.equal(readFileSync(join(checkout, 'README.txt'), 'utf8'), 'of the developers');
  assert.deepEqual(readdirSync(checkout).sort(), ['.git', 'README.txt', 'assets']);
});
