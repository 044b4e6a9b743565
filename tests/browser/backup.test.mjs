// Backups: sealed, readable by their owner only, and restored without trusting what is in them.
import assert from 'node:assert/strict';
import { execFileSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { copyFileSync, existsSync, mkdirSync, mkdtempSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { after, before, test } from 'node:test';
import { connectionTo, root, sql } from './psql.mjs';
import { serve } from './server.mjs';

const folder = mkdtempSync(join(tmpdir(), 'kalypto-backup-'));
const file = join(folder, 'kept.kalypto');
const data = join(folder, 'data');
let server;

const run = (command, ...args) => execFileSync(join(root, command), [...args, '--data', data], { stdio: 'pipe', encoding: 'utf8' });
const restore = (from, to, ...more) => run('restore', from, '--database', to, ...more);
const ask = (database, statement) => sql(statement, connectionTo(database));
const fresh = name => `${name}_${process.pid}`;

// The same backup with another dump in it, as somebody would make it who has no key: the hash is right, the seal is not.
const forged = (name, change) => {
  const work = mkdtempSync(join(folder, 'forged-'));
  execFileSync('tar', ['--extract', '--file', file, '--directory', work]);
  const dump = join(work, 'database.dump');
  writeFileSync(dump, change(readFileSync(dump)));
  const manifest = JSON.parse(readFileSync(join(work, 'manifest.json'), 'utf8'));
  writeFileSync(join(work, 'manifest.json'), JSON.stringify({ ...manifest, sha256: createHash('sha256').update(readFileSync(dump)).digest('hex') }));
  const target = join(folder, name);
  execFileSync('tar', ['--create', '--file', target, '--directory', work, 'manifest.json', 'database.dump']);
  return target;
};

before(async () => {
  mkdirSync(data);
  server = await serve({ demo: false });
  ask(server.database, "insert into projects (name, platforms, recipes) values ('Larkrise', '{web}', '')");
  run('backup', file, '--database', server.database);
});

after(() => server?.stop());

test('a backup is read by its owner alone and comes back whole', () => {
  assert.equal(statSync(file).mode & 0o777, 0o600);
  restore(file, fresh('own'));
  assert.equal(ask(fresh('own'), 'select name from projects'), 'Larkrise');
  assert.equal(ask(fresh('own'), 'select rolsuper from pg_roles where rolname = current_user'), 'f');
});

test('one of another installation, a changed one and what is none are refused, and leave everything as it was', () => {
  const key = join(data, 'keys/installation.key');
  const kept = readFileSync(key);
  assert.equal(statSync(key).mode & 0o777, 0o600);
  writeFileSync(key, Buffer.alloc(32, 1));
  assert.throws(() => restore(file, fresh('other')), /--trust/);
  restore(file, fresh('other'), '--trust');
  assert.equal(ask(fresh('other'), 'select name from projects'), 'Larkrise');
  writeFileSync(key, kept);
  const broken = join(folder, 'broken.kalypto');
  copyFileSync(file, broken);
  const bytes = readFileSync(broken);
  bytes[bytes.length >> 1] ^= 1;
  writeFileSync(broken, bytes);
  assert.throws(() => restore(broken, fresh('broken'), '--trust'), /not whole/);
  assert.throws(() => restore(join(root, 'README.md'), fresh('none'), '--trust'), /not written by/);
});

test('a foreign backup runs nothing, neither while it is restored nor later', () => {
  const planted = join(folder, 'planted');
  // A command in the place of one that copies rows, of the same length.
  const command = forged('command.kalypto', dump => {
    const text = dump.toString('latin1');
    const copy = /COPY public\.projects \([^)]*\) FROM stdin;\n/.exec(text)[0];
    const evil = `COPY (select 1) TO PROGRAM 'touch ${planted}';`;
    assert.ok(copy.length >= evil.length);
    return Buffer.from(text.replace(copy, evil.padEnd(copy.length)), 'latin1');
  });
  assert.throws(() => restore(command, fresh('command'), '--trust'), /restore failed/);
  assert.ok(!existsSync(planted));
  assert.equal(ask('postgres', `select count(*) from pg_database where datname like '${fresh('command')}%'`), '0');
  // A trigger that waits for its moment.
  const trap = fresh('trap');
  ask('postgres', `create database ${trap} template ${fresh('own')}`);
  ask(trap, 'create function later() returns trigger language plpgsql as $$ begin delete from projects; return null; end $$; create trigger later after insert on projects execute function later()');
  const waiting = join(folder, 'waiting.kalypto');
  run('backup', waiting, '--database', trap);
  assert.throws(() => restore(waiting, fresh('own'), '--replace'), /holds what Kalypto never writes/);
  assert.equal(ask(fresh('own'), 'select name from projects'), 'Larkrise');
});
