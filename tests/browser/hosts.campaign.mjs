// Three hosts on one database: one shows pages and draws nothing, one draws and serves, one only draws. The network between
// them and the database is cut for 5, 20 and 60 seconds while a build runs. It ends by itself, and nothing stays leased.
// Run by hand beside a database of tests: node --test tests/browser/hosts.campaign.mjs.
import assert from 'node:assert/strict';
import { execFileSync } from 'node:child_process';
import { connect, createServer } from 'node:net';
import { after, before, test } from 'node:test';
import { launch, newPage } from './browser.mjs';
import { connectionTo } from './psql.mjs';
import { draw, serve } from './server.mjs';

const hosts = [1, 2].map(number => ({ number, name: `kalypto-${process.pid}-${number}`, link: `kv${process.pid % 100_000}n${number}`, address: `10.77.${number}.1` }));
const of = name => new RegExp(`${name}=([^;]*)`).exec(process.env.KALYPTO_DATABASE)[1];
const ip = (...args) => execFileSync('ip', args, { stdio: 'pipe' });
const later = seconds => new Promise(done => { setTimeout(done, seconds * 1000); });
const forwarders = [];
let browser;
let page;
let isMade = false;
const processes = [];

// What comes to an address goes on to the database, as long as it is not cut.
const forward = address => new Promise(ready => {
  const pairs = new Set();
  const server = createServer(socket => {
    const on = connect(Number(of('Port')), of('Host'));
    const pair = [socket, on];
    pairs.add(pair);
    socket.pipe(on).pipe(socket);
    pair.forEach(s => s.on('error', () => {}).on('close', () => { pairs.delete(pair); pair.forEach(o => o.destroy()); }));
  });
  server.listen(0, address, () => {
    forwarders.push(() => { server.close(); pairs.forEach(p => p.forEach(s => s.destroy())); });
    ready({ port: server.address().port, cut: isCut => pairs.forEach(([a, b]) => { if (isCut) { a.unpipe(b); b.unpipe(a); a.pause(); b.pause(); } else { a.pipe(b).pipe(a); } }) });
  });
});
const through = (database, address, port) => connectionTo(database).replace(/Host=[^;]*/, `Host=${address}`).replace(/Port=\d+/, `Port=${port}`);

before(async () => {
  try {
    for (const { name, link, address, number } of hosts) {
      ip('netns', 'add', name);
      ip('link', 'add', link, 'type', 'veth', 'peer', 'name', 'eth0', 'netns', name);
      ip('address', 'add', `${address}/24`, 'dev', link);
      ip('link', 'set', link, 'up');
      ip('-n', name, 'address', 'add', `10.77.${number}.2/24`, 'dev', 'eth0');
      ip('-n', name, 'link', 'set', 'eth0', 'up');
      ip('-n', name, 'link', 'set', 'lo', 'up');
    }
    isMade = true;
  } catch {
    // This machine lets nobody make a host.
  }
  browser = await launch();
});
after(async () => {
  await browser?.close();
  await Promise.all(processes.map(p => p.stop()));
  forwarders.forEach(stop => stop());
  hosts.forEach(h => { try { ip('netns', 'delete', h.name); } catch { /* It was never made. */ } });
});

test('a network that is cut for a while costs a build nothing', { timeout: 3_600_000 }, async t => {
  if (!isMade) {
    t.skip('this machine lets nobody make a host');
    return;
  }
  const database = `hosts_${process.pid}`;
  const own = await forward('127.0.0.1');
  const pages = await serve({ database, drawers: 0, connection: through(database, '127.0.0.1', own.port) });
  processes.push(pages);
  const [serving, drawing] = await Promise.all(hosts.map(h => forward(h.address)));
  processes.push(...await Promise.all([
    serve({ database, demo: false, drawers: 1, host: hosts[0].name, connection: through(database, hosts[0].address, serving.port) }),
    draw({ database, host: hosts[1].name, connection: through(database, hosts[1].address, drawing.port) })]));
  page = await newPage(browser);
  await page.goto(`${pages.address}/projects/1`);
  const { screens } = await page.evaluate(() => window.kalypto.get('/api/projects/1/designs/2/screens'));
  const { rows } = await page.evaluate(path => window.kalypto.get(path), `/api/projects/1/bench/2/${screens[0].root}`);
  const layers = rows.filter(r => /saturn|cloud|calendar|photo|clock|pin|moon|star/.test(r.drawnName ?? r.name)).map(r => r.ordinal).slice(0, 8);
  assert.ok(layers.length > 2, rows.map(r => r.name).join());
  await page.evaluate(edit => window.kalypto.post('/api/projects/1/edit', edit), { design: 2, screen: screens[0].root, layers, decision: 'Ship' });
  const { build } = await page.evaluate(() => window.kalypto.post('/api/projects/1/builds', {}));
  assert.ok(build);
  const cuts = [[5, hosts[0]], [20, hosts[1]], [60, hosts[0], hosts[1]]];
  for (const [seconds, ...which] of cuts) {
    which.forEach(h => ip('link', 'set', h.link, 'down'));
    if (seconds === 20) {
      own.cut(true);
    }
    await later(seconds);
    own.cut(false);
    which.forEach(h => ip('link', 'set', h.link, 'up'));
    await later(1);
  }
  let state = {};
  while (!state.state || state.state === 'running') {
    await later(1);
    state = await page.evaluate(path => window.kalypto.get(path), `/api/projects/1/builds/${build}`);
  }
  assert.equal(state.state, 'done');
  assert.doesNotMatch(state.says, /could not/);
  const leased = () => execFileSync('psql', ['--no-psqlrc', '--tuples-only', '--no-align', '--command', "select count(*) from drawing_jobs where leased_until > now() + interval '5 seconds'"],
    { env: { ...process.env, PGHOST: of('Host'), PGPORT: of('Port'), PGUSER: of('Username'), PGPASSWORD: of('Password'), PGDATABASE: database }, encoding: 'utf8' }).trim();
  while (leased() !== '0') {
    await later(1);
  }
});
