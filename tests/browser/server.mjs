// Processes of Kalypto for a test file: a free port and an empty database on the PostgreSQL that ./test starts.
import { spawn } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { connectionTo, root } from './psql.mjs';
import { copySeed } from './seed.mjs';

export { root };

// Starts a process and waits until it says that it is ready.
async function run(project, database, options, ready, connection = connectionTo(database), host = null) {
  // A host of its own is a network namespace.
  const child = spawn(host ? 'ip' : 'dotnet', [...host ? ['netns', 'exec', host, 'dotnet'] : [], join(root, `src/${project}/bin/Release/net10.0/${project}.dll`), '--DemoFolder', join(root, 'demo'), ...options],
    { env: { ...process.env, KALYPTO_DATABASE: connection }, stdio: ['ignore', 'pipe', 'pipe'] });
  let output = '';
  const ended = new Promise(resolve => { child.on('exit', resolve); });
  const said = await new Promise((resolve, reject) => {
    const read = data => {
      output += data;
      const found = output.match(ready);
      if (found) {
        resolve(found[1]);
      }
    };
    child.stdout.on('data', read);
    child.stderr.on('data', read);
    child.on('exit', code => reject(new Error(`${project} ended with ${code}:\n${output}`)));
  });
  // Whoever ends it waits for the same end, also when several do at once.
  const end = signal => {
    child.kill(signal);
    return ended;
  };
  return { address: said, database, pid: child.pid, output: () => output, stop: () => end('SIGTERM'), kill: () => end('SIGKILL') };
}

// seed: begins with a copy of the demo as it is once everything of it is drawn; false to bring it in anew.
export async function serve({ demo = true, deliveries = false, seed = demo, seconds = 30, drawers, more = [], connection, host, database } = {}) {
  const own = `browser_${process.pid}_${Date.now()}`;
  if (seed && !connection && !database) {
    await copySeed(serve, own, deliveries);
  }
  return run('Kalypto.Web', database ?? own, [
    '--urls', 'http://127.0.0.1:0', '--contentRoot', join(root, 'src/Kalypto.Web'), '--Demo', String(demo), '--DemoDeliveries', String(deliveries), '--KeyFolder', mkdtempSync(join(tmpdir(), 'kalypto-keys-')),
    '--DrawingSeconds', String(seconds), ...drawers === undefined ? [] : ['--Drawers', String(drawers)], ...more,
  ], /Kalypto is at (\S+)/, connection, host);
}

// A process that only draws.
export const draw = ({ database, drawers = 1, connection, host }) => run('Kalypto.Drawer', database, ['--Drawers', String(drawers)], /(Drawing) with/, connection, host);
