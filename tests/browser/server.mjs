// A Kalypto of its own for a test file: a free port and an empty database on the PostgreSQL that ./test starts.
import { spawn } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = fileURLToPath(new URL('../..', import.meta.url));

export async function serve({ demo = true, seconds = 30, database = `browser_${process.pid}_${Date.now()}` } = {}) {
  if (!process.env.KALYPTO_DATABASE) {
    throw new Error('KALYPTO_DATABASE is not set. Run ./test, which starts a database for the tests.');
  }
  const connection = process.env.KALYPTO_DATABASE.replace(/Database=\w+/, `Database=${database}`);
  const server = spawn('dotnet', [
    join(root, 'src/Kalypto.Web/bin/Release/net10.0/Kalypto.Web.dll'), '--urls', 'http://127.0.0.1:0', '--contentRoot', join(root, 'src/Kalypto.Web'),
    '--Demo', String(demo), '--DemoFolder', join(root, 'demo'), '--KeyFolder', mkdtempSync(join(tmpdir(), 'kalypto-keys-')), '--DrawingSeconds', String(seconds),
  ], { env: { ...process.env, KALYPTO_DATABASE: connection }, stdio: ['ignore', 'pipe', 'pipe'] });
  let output = '';
  const address = await new Promise((resolve, reject) => {
    const read = data => {
      output += data;
      const found = output.match(/Kalypto is at (\S+)/);
      if (found) {
        resolve(found[1]);
      }
    };
    server.stdout.on('data', read);
    server.stderr.on('data', read);
    server.on('exit', code => reject(new Error(`The server ended with ${code}:\n${output}`)));
  });
  return {
    address,
    database,
    pid: server.pid,
    output: () => output,
    stop: () => new Promise(resolve => {
      server.removeAllListeners('exit');
      server.on('exit', resolve);
      server.kill('SIGTERM');
    }),
  };
}
