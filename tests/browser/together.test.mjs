// Several processes on one database: two that serve, two that only draw, some of them killed. And everything kept in one file.
import assert from 'node:assert/strict';
import { execFileSync } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { after, before, test } from 'node:test';
import { unzipSync } from 'fflate';
import { launch, newPage } from './browser.mjs';
import { draw, root, serve } from './server.mjs';

let one, two, drawers, browser, ada, eve;

before(async () => {
  one = await serve({ drawers: 0, seed: false });
  two = await serve({ drawers: 0, demo: false, database: one.database });
  drawers = [await draw(one), await draw(one)];
  browser = await launch();
  [ada, eve] = [await newPage(browser, { viewport: { width: 1280, height: 800 } }), await newPage(browser, { viewport: { width: 1280, height: 800 } })];
});
after(async () => {
  await browser?.close();
  await Promise.all([one, two, ...drawers ?? []].map(p => p?.stop()));
});

const bench = async (page, server) => {
  await page.goto(`${server.address}/projects/1/bench/1/1`);
  await page.waitForSelector('.ledger-row');
};
const act = (page, name, body) => page.evaluate(([name, body]) => {
  const c = Alpine.$data(document.querySelector('.bench'));
  c.picked = [benchRows.list.find(r => r.drawnName === name).ordinal];
  return c.edit(body);
}, [name, body]);
const sees = (page, name, decision) => page.waitForFunction(([name, decision]) => benchRows.list.find(r => r.drawnName === name)?.decision === decision, [name, decision]);
const newest = page => page.evaluate(async () => (await kalypto.get('/api/projects/1/builds'))[0]);
const ended = async (page, server, id) => {
  await page.goto(`${server.address}/projects/1/deliveries`);
  await page.waitForFunction(id => [...document.querySelectorAll('.build')].some(b => b.dataset.build === String(id) && b.dataset.state !== 'running'), id);
  return (await page.evaluate(() => kalypto.get('/api/projects/1/builds'))).find(b => b.id === id);
};
const zipOf = async (page, server, id) => unzipSync(await (await page.request.get(`${server.address}/projects/1/builds/${id}.zip`)).body());

test('what one does on one server the other sees on the other, and each takes back their own', async () => {
  await bench(ada, one);
  await bench(eve, two);
  await act(ada, 'signal', { decision: 'Ship' });
  await sees(eve, 'signal', 'ship');
  await act(eve, 'background', { decision: 'Code' });
  await sees(ada, 'background', 'code');
  await ada.locator('.rows').focus();
  await ada.keyboard.press('z');
  await sees(eve, 'signal', 'open');
  await sees(ada, 'background', 'code');
  // What somebody else changed since on the same is not lost: it is said whose it is, and the history opens.
  await act(ada, 'saturn', { decision: 'Code' });
  await sees(eve, 'saturn', 'code');
  await eve.evaluate(() => localStorage.setItem('kalypto-who', 'Eve'));
  await act(eve, 'saturn', { decision: 'Leave' });
  await sees(ada, 'saturn', 'leave');
  // Ada is told that hers does not hold any more; what she did not touch is nobody's loss.
  await ada.waitForFunction(() => document.querySelectorAll('.losses p').length === 1);
  await ada.locator('.losses button', { hasText: 'Close' }).click();
  assert.equal(await eve.locator('.losses p').count(), 0);
  await ada.locator('.rows').focus();
  await ada.keyboard.press('z');
  await ada.waitForFunction(() => /Eve changed the same later/.test(document.querySelector('.toast-line').textContent));
  await ada.locator('.history li', { hasText: 'Leave saturn' }).locator('button').click();
  await sees(eve, 'saturn', 'code');
});

test('a server and a drawer that are killed within a build lose nothing, and it ends by itself', async () => {
  await act(ada, 'moon-phase', { decision: 'Ship', tags: 'photo png webp avif:auto jpeg:auto scale:1x,2x,3x,4x' });
  await act(ada, 'bell', { tags: 'png webp scale:1x,1.5x,2x,3x,4x' });
  const { build } = await ada.evaluate(() => kalypto.post('/api/projects/1/builds', {}));
  await ada.goto(`${one.address}/projects/1/deliveries`);
  await ada.waitForFunction(() => document.querySelector('.build progress').value > 2);
  assert.equal((await newest(ada)).state, 'running');
  // The one that holds the build, and one of the two that draw for it.
  await ada.goto('about:blank');
  await Promise.all([one.kill(), drawers[0].kill()]);
  const done = await ended(eve, two, build);
  assert.deepEqual([done.state, done.message], ['done', null]);
  assert.equal(done.done, done.total);
  const files = await zipOf(eve, two, build);
  const manifest = JSON.parse(Buffer.from(files['manifest.json']).toString());
  assert.equal(manifest.missing.length, 0);
  assert.ok(manifest.files.length > 40 && manifest.files.every(f => files[f.path]?.length === f.bytes));
});

test('a backup that is restored builds the same bytes', async () => {
  await eve.evaluate(() => kalypto.post('/api/projects/1/builds', {})).then(({ build }) => ended(eve, two, build));
  const before = await newest(eve);
  const file = join(mkdtempSync(join(tmpdir(), 'kalypto-backup-')), 'kept.kalypto');
  execFileSync(join(root, 'backup'), [file, '--database', one.database], { stdio: 'pipe' });
  const database = `restored_${process.pid}`;
  execFileSync(join(root, 'restore'), [file, '--database', database], { stdio: 'pipe' });
  const restored = await serve({ demo: false, database });
  try {
    assert.throws(() => execFileSync(join(root, 'restore'), [file, '--database', database], { stdio: 'pipe' }), /Stop it first/);
    const page = await newPage(browser);
    await page.goto(`${restored.address}/projects/1`);
    const { build } = await page.evaluate(() => kalypto.post('/api/projects/1/builds', {}));
    await ended(page, restored, build);
    assert.deepEqual(await zipOf(page, restored, build), await zipOf(eve, two, before.id));
  } finally {
    await restored.stop();
  }
  assert.throws(() => execFileSync(join(root, 'restore'), [file, '--database', database], { stdio: 'pipe' }), /say --replace to lose them/);
  assert.throws(() => execFileSync(join(root, 'restore'), [join(root, 'README.md'), '--database', `x${database}`], { stdio: 'pipe' }), /not written by .\/backup/);
});
