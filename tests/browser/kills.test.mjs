// kill -9 of the server, of its workers and of the database, while people edit, bring in and build: nothing that was
// acknowledged is lost, and what is delivered in the end is byte for byte what a quiet server delivers. KALYPTO_KILLS=60 for
// a long run. A disk that is full for a while costs a build nothing either.
import assert from 'node:assert/strict';
import { randomBytes } from 'node:crypto';
import { mkdirSync, mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { after, before, test } from 'node:test';
import { unzipSync } from 'fflate';
import { launch, newPage } from './browser.mjs';
import { cluster } from './cluster.mjs';
import { sql } from './psql.mjs';
import { serve } from './server.mjs';

const rounds = Number(process.env.KALYPTO_KILLS ?? 1);
const ships = ['saturn', 'cloud-night', 'pin', 'clock', 'price tag', 'minus', 'plus', 'calendar', 'moon photo', 'dome photo'];
const drawing = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 90 90">${Array.from({ length: 30 }, (_, i) => `<path id="star${i}" d="M${i} 1l4 9-9-6h9l-9 6z"/>`).join('')}</svg>`;

let browser, page, server, database;
let options = {};
// What the servers said that were killed.
const told = [];
// The same kills in every run, as far as the machine lets it.
let seed = 7;
const random = most => { seed = (seed * 1103515245 + 12345) % 2147483648; return seed % most; };
const quietly = (act, otherwise) => {
  try {
    return act();
  } catch {
    // The process or its thread has ended by itself.
    return otherwise;
  }
};
const children = pid => quietly(() => readdirSync(`/proc/${pid}/task`), []).flatMap(task => quietly(() => readFileSync(`/proc/${pid}/task/${task}/children`, 'utf8').split(' ').filter(Boolean).map(Number), []));
const killWorkers = () => children(server.pid).forEach(pid => quietly(() => process.kill(pid, 'SIGKILL')));

before(async () => {
  browser = await launch();
  page = await newPage(browser, { viewport: { width: 1280, height: 800 } });
});
after(async () => {
  await browser?.close();
  await server?.stop();
  await database?.stop();
});

// A question to the database of the server.
const ask = statement => sql(statement, database.connection);
const open = () => page.goto(`${server.address}/projects/1`);
const get = path => page.evaluate(p => kalypto.get(p), `/api/projects/1/${path}`);
const post = (path, body) => page.evaluate(([p, b]) => kalypto.post(p, b), [`/api/projects/1/${path}`, body]);
const restart = async () => {
  await server.kill();
  told.push(server.output());
  server = await serve({ ...options, database: server.database });
  await open();
};
// Whoever asks again and again takes the processor from what they wait for.
const pause = () => new Promise(done => { setTimeout(done, 500); });
// What was not acknowledged is done once more, as people do.
const surely = async act => {
  for (;;) {
    const answer = await act().catch(error => ({ failed: true, message: error.message }));
    if (!answer.failed) {
      return answer;
    }
    await pause();
    if (!await page.evaluate(() => fetch('/health/live').then(r => r.ok, () => false)).catch(() => false)) {
      await restart();
    }
  }
};
const layersOf = async () => {
  const layers = [];
  for (const design of [1, 2]) {
    for (const screen of (await get(`designs/${design}/screens`)).screens) {
      for (const row of (await get(`bench/${design}/${screen.root}`)).rows) {
        layers.push({ design, screen: screen.root, ordinal: row.ordinal, name: row.drawnName ?? row.name });
      }
    }
  }
  return ships.map(name => layers.find(l => l.name === name)).filter(Boolean);
};
const bring = (text = drawing) => page.evaluate(async text => {
  const form = new FormData();
  form.append('files', new File([text], 'stars.svg'));
  const answer = await fetch('/api/projects/1/files', { method: 'POST', body: form, headers: { 'X-Kalypto-Token': document.documentElement.dataset.token } });
  const line = answer.ok ? (await answer.text()).split('\n').filter(Boolean).map(l => JSON.parse(l)).find(l => l.result) ?? {} : {};
  return { failed: !line.result?.design, message: line.result?.message ?? (answer.ok ? '' : await answer.text()) };
}, text);
// Begins a build, calls back while it runs, and gives its zip.
const deliver = async meanwhile => {
  const { build } = await surely(() => post('builds', {}));
  await meanwhile();
  for (;;) {
    const found = (await surely(async () => ({ builds: await get('builds') }))).builds.find?.(b => b.id === build);
    if (found && found.state !== 'running') {
      assert.equal(found.state, 'done');
      return { message: found.message, zip: await (await page.request.get(`${server.address}/projects/1/builds/${build}.zip`)).body() };
    }
    await pause();
  }
};
const ship = layer => surely(() => post('edit', { design: layer.design, screen: layer.screen, layers: [layer.ordinal], decision: 'Ship', tags: layer.name.includes('photo') ? 'photo' : 'icon' }));

test('whatever is killed, nothing acknowledged is lost and the delivery is that of a quiet server', { timeout: 3_600_000 }, async () => {
  server = await serve();
  await open();
  for (const layer of await layersOf()) {
    await ship(layer);
  }
  const quiet = await deliver(async () => {});
  await server.stop();

  database = await cluster();
  // The long run also follows a place in a checkout.
  const follows = rounds > 1;
  const inside = mkdtempSync(join(tmpdir(), 'kalypto-place-'));
  const outside = mkdtempSync(join(tmpdir(), 'kalypto-outside-'));
  writeFileSync(join(outside, 'theirs.txt'), 'theirs');
  writeFileSync(join(inside, 'theirs.txt'), 'theirs');
  options = { connection: database.connection, more: follows ? ['--Deliver:0', inside] : [] };
  server = await serve(options);
  await open();
  if (follows) {
    const place = await surely(() => post('places', { root: 0, folder: 'assets', platform: 'web' }));
    await surely(() => post(`places/${place.id}/follows`, { value: true }));
  }
  // What anybody can commit into a checkout.
  mkdirSync(join(inside, 'assets/.kalypto-pending'), { recursive: true });
  writeFileSync(join(inside, 'assets/.kalypto-pending/journal.json'), JSON.stringify({ Writes: [{ Path: `../../${outside.split('/').pop()}/planted`, Staged: '0', Sha256: '', Before: null }], Removes: [], Lock: '{}' }));
  const layers = await layersOf();
  assert.ok(layers.length >= 8, layers.map(l => l.name).join());
  for (let round = 0; round < rounds; round++) {
    // Killed while an edit is on its way, and while workers measure what is brought in.
    for (const [index, layer] of layers.entries()) {
      const made = ship(layer);
      if (index === random(layers.length)) {
        await server.kill();
      } else if (index === random(layers.length)) {
        database.kill();
      } else if (random(3) === 0) {
        killWorkers();
      }
      await made;
    }
    const brought = surely(() => bring());
    killWorkers();
    await brought;
    const states = await surely(() => get('ships'));
    assert.equal(states.failed, undefined);
  }
  // Every file that was brought in has all of its layers, each with its shape.
  const designs = await page.evaluate(async () => [...new DOMParser().parseFromString(await (await fetch('/projects/1')).text(), 'text/html').querySelectorAll('.design')].map(d => [Number(d.dataset.design), d.innerText.match(/(\d+) layers/)?.[1]]));
  const stars = designs.filter(([id]) => id > 2);
  assert.ok(stars.length >= 1);
  assert.ok(stars.every(([, count]) => count === '30'), JSON.stringify(stars));
  for (const [id] of stars) {
    await surely(() => post(`designs/${id}/removed`, { value: true }));
  }

  const killed = await deliver(async () => {
    for (let i = 0; i < 3; i++) {
      killWorkers();
      await page.evaluate(() => kalypto.get('/api/projects/1/builds')).catch(() => {});
    }
    database.kill();
    await restart();
    killWorkers();
  });
  assert.equal(killed.message, quiet.message);
  assert.ok(quiet.zip.equals(killed.zip), `${quiet.zip.length} bytes and ${killed.zip.length}`);
  if (!follows) {
    return;
  }
  // No build failed that a quiet server makes, and no job stays leased once nothing is to be drawn.
  assert.deepEqual((await get('builds')).filter(b => b.state === 'failed'), [], [...told, server.output()].flatMap(text => text.match(/.*Build \d+ failed[^]{0,2000}/g) ?? []).join('\n'));
  while (Number(ask(`select count(*) from drawing_jobs where leased_until > now()`)) > 0) {
    await pause();
  }
  // The place that follows holds the web part of it, and nothing else was touched.
  const web = unzipSync(killed.zip);
  const names = Object.keys(web).filter(n => n.startsWith('web/')).map(n => n.slice(4)).sort();
  for (;;) {
    const there = readdirSync(join(inside, 'assets'), { recursive: true, withFileTypes: true }).filter(e => e.isFile() && !e.parentPath.includes('.kalypto-pending')).map(e => join(e.parentPath, e.name).slice(join(inside, 'assets').length + 1)).filter(n => n !== 'kalypto.lock.json').sort();
    if (there.length === names.length && there.every((n, i) => n === names[i] && readFileSync(join(inside, 'assets', n)).equals(Buffer.from(web[`web/${n}`])))) {
      break;
    }
    await pause();
  }
  assert.deepEqual([readdirSync(outside), readFileSync(join(inside, 'theirs.txt'), 'utf8')], [['theirs.txt'], 'theirs']);
});

test('a database that hangs is told within seconds, and the server goes on when it answers', { timeout: 3_600_000 }, async () => {
  database.hang(true);
  const answers = await page.evaluate(async () => {
    const ready = await fetch('/health/ready');
    const edit = await kalypto.post('/api/projects/1/said', { description: 'while it hangs' });
    return [ready.status, edit.failed];
  });
  assert.deepEqual(answers, [503, true]);
  database.hang(false);
  await surely(() => post('said', { description: 'afterwards' }));
});

test('a disk that is full for a while costs a build nothing', { timeout: 3_600_000 }, async t => {
  const small = await cluster({ megabytes: 400 });
  if (!small) {
    t.skip('this machine lets nobody make a disk');
    return;
  }
  await server.stop();
  await database.stop();
  database = small;
  options = { connection: small.connection, drawers: 1 };
  server = await serve(options);
  await open();
  for (const layer of await layersOf()) {
    await ship(layer);
  }
  const filler = join(small.folder, 'filler');
  const delivered = await deliver(async () => {
    // All that is left, down to the last bytes.
    for (let size = 64 * 1024 * 1024; size >= 4096; size /= 2) {
      for (let full = false; !full;) {
        try {
          writeFileSync(filler, Buffer.alloc(size), { flag: 'a' });
        } catch {
          full = true;
        }
      }
    }
    // It has been noticed when what is brought in is refused for it; the log of the database has some room left at first.
    let answer = {};
    for (let tries = 0; tries < 50 && !answer.failed; tries++) {
      answer = await bring(drawing.replace('<path', `<desc>${randomBytes(3_000_000).toString('base64')}</desc><path`));
    }
    assert.match(answer.message, /no room left/);
    rmSync(filler);
  });
  assert.match(delivered.message ?? '', /^(?!.*missing)/);
  assert.ok(delivered.zip.length > 10_000);
});
