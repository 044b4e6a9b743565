// The demo, brought in, drawn and proven once for all test files of a run: each begins with a copy of its database.
import { closeSync, mkdirSync, openSync, readFileSync, writeSync } from 'node:fs';
import { join } from 'node:path';
import { connectionTo, root, sql } from './psql.mjs';

const ask = (database, statement) => sql(statement, connectionTo(database));
const pause = () => new Promise(resolve => { setTimeout(resolve, 500); });

// Whoever makes the lock first makes the seed; the others wait for it, and one whose maker has died is made by the next.
const isOurs = (name, tries = 0) => {
  const locks = join(root, '.kalypto/seeds');
  mkdirSync(locks, { recursive: true });
  const lock = join(locks, `${name}.maker`);
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

async function make(serve, name, deliveries) {
  ask('postgres', `drop database if exists ${name} with (force)`);
  const server = await serve({ database: name, deliveries, seed: false });
  const isDone = () => ask(name, `select (select count(*) from drawing_jobs) = 0 and (select count(*) from builds where state = 'done' and shelved) = ${deliveries ? 2 : 0} and exists (select from proofs)`) === 't';
  while (!isDone()) {
    await pause();
  }
  await server.stop();
  ask('postgres', `alter database ${name} is_template true`);
}

// Copies the seed into a new database of that name.
export async function copySeed(serve, database, deliveries) {
  // All files of a run have the same parent; what an earlier run made may be of other code.
  const name = `seed_${deliveries ? 'delivered' : 'demo'}_${process.ppid}`;
  const isThere = () => ask('postgres', `select count(*) from pg_database where datname = '${name}' and datistemplate`) === '1';
  while (!isThere()) {
    if (isOurs(name)) {
      await make(serve, name, deliveries);
    } else {
      await pause();
    }
  }
  ask('postgres', `create database ${database} template ${name}`);
}
