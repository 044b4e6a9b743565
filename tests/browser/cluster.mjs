// A PostgreSQL of a test's own, that may be killed or filled: the same scripts as those of ./start bring it up and keep it up.
import { execFileSync, spawn } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './server.mjs';

const quietly = act => {
  try {
    act();
    return true;
  } catch {
    return false;
  }
};

// megabytes: on a disk of its own of that size, in memory; null when this machine does not let us make one.
export async function cluster({ megabytes } = {}) {
  const folder = join(root, '.kalypto', `cluster-${process.pid}-${Date.now()}`);
  mkdirSync(folder, { recursive: true });
  if (megabytes && !quietly(() => execFileSync('mount', ['-t', 'tmpfs', '-o', `size=${megabytes}m,mode=755`, 'tmpfs', folder], { stdio: 'ignore' }))) {
    rmSync(folder, { recursive: true });
    return null;
  }
  const script = spawn('bash', ['-c', '. scripts/common.sh; . scripts/postgres.sh; postgres_up "$0"; trap "postgres_down; exit" TERM; echo "up $KALYPTO_DATABASE"; postgres_tries=1000 postgres_watch & wait', folder],
    { cwd: root, stdio: ['ignore', 'pipe', 'inherit'], detached: true });
  const connection = await new Promise((resolve, reject) => {
    script.stdout.on('data', data => { const up = String(data).match(/up (.*)/); if (up) { resolve(up[1]); } });
    script.on('exit', code => reject(new Error(`The cluster ended with ${code}`)));
  });
  return {
    connection,
    folder,
    // kill -9 of the server of the database and of all that it runs.
    kill() {
      const main = Number(readFileSync(join(folder, 'postgres/postmaster.pid'), 'utf8').split('\n')[0]);
      const all = [main, ...readFileSync(`/proc/${main}/task/${main}/children`, 'utf8').split(' ').filter(Boolean).map(Number)];
      all.forEach(pid => quietly(() => process.kill(pid, 'SIGKILL')));
    },
    // Stops it without an end: it is there, takes connections and answers nothing.
    hang(isHanging) {
      const main = Number(readFileSync(join(folder, 'postgres/postmaster.pid'), 'utf8').split('\n')[0]);
      const all = [main, ...readFileSync(`/proc/${main}/task/${main}/children`, 'utf8').split(' ').filter(Boolean).map(Number)];
      all.forEach(pid => quietly(() => process.kill(pid, isHanging ? 'SIGSTOP' : 'SIGCONT')));
    },
    async stop() {
      script.removeAllListeners('exit');
      const ended = new Promise(resolve => { script.on('exit', resolve); });
      script.kill('SIGTERM');
      await ended;
      quietly(() => process.kill(-script.pid, 'SIGKILL'));
      if (megabytes) {
        quietly(() => execFileSync('umount', ['-l', folder]));
      }
      rmSync(folder, { recursive: true, force: true });
    },
  };
}
