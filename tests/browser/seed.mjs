// The demo, brought in, drawn and proven once for all test files of a run: each begins with a copy of its database.
import { execFileSync } from 'node:child_process';
import { closeSync, openSync, readFileSync, writeSync } from 'node:fs';
import { join } from 'node:path';
import { connectionTo, root, serve } from './server.mjs';

// A statement, as the role that the server works as.
export const sql = (database, statement) => {
  const of = name => new RegExp(`${name}=([^;]*)`).exec(connectionTo(database))[1];
  return execFileSync('psql', ['--no-psqlrc', '--tuples-only', '--no-align', '--command', statement],
    { env: { ...process.env, PGHOST: of('Host'), PGPORT: of('Port'), PGUSER: of('Username'), PGPASSWORD: of('Password'), PGDATABASE: database }, encoding: 'utf8' }).trim();
};
const pause = () => new Promise(resolve => { setTimeout(resolve, 500); });

// Whoever makes the lock first makes the seed; the others wait for it, and one whose maker has died is made by the next.
const isOurs = (name, tries = 0) => {
  const lock = join(root, '.kalypto/test', `${name}.maker`);
  try {
    const file = openSync(lock, tries ? 'w' : 'wx');
    writeSync(file, String(process.pid));
    closeSync(file);
    return true;
  } catch {
    const maker = Number(readFileSync(lock, 'utf8'));
    try {
      return maker > 0 && !process.kill(maker, 0);
    } catch {
      return isOurs(name, tries + 1);
    }
  }
};

async function make(name, deliveries) {
  sql('postgres', `drop database if exists ${name} with (force)`);
  const server = await serve({ database: name, deliveries, seed: false });
  const isDone = () => sql(name, `select (select count(*) from drawing_jobs) = 0 and (select count(*) from builds where state = 'done' and shelved) = ${deliveries ? 2 : 0} and exists (select from proofs)`) === 't';
  while (!isDone()) {
    await pause();
  }
  await server.stop();
  sql('postgres', `alter database ${name} is_template true`);
}

// Copies the seed into a new database of that name.
export async function copySeed(database, deliveries) {
  // All files of a run have the same parent; what an earlier run made may be of other code.
  const name = `seed_${deliveries ? 'delivered' : 'demo'}_${process.ppid}`;
  const isThere = () => sql('postgres', `select count(*) from pg_database where datname = '${name}' and datistemplate`) === '1';
  while (!isThere()) {
    if (isOurs(name)) {
      await make(name, deliveries);
    } else {
      await pause();
    }
  }
  sql('postgres', `create database ${database} template ${name}`);
}
