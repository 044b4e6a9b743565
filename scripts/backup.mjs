// The manifest of a backup: which version of the tables is in it, what it must hash to, and a seal by the key of this installation.
// usage: backup.mjs seal KEY DUMP SCHEMA MANIFEST | backup.mjs check KEY DUMP MANIFEST | backup.mjs functions MIGRATIONS
import { createHash, createHmac, timingSafeEqual } from 'node:crypto';
import { createReadStream, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

const hashOf = async file => {
  const hash = createHash('sha256');
  for await (const part of createReadStream(file)) {
    hash.update(part);
  }
  return hash.digest('hex');
};

const sealOf = (key, { format, schema, sha256 }) => createHmac('sha256', readFileSync(key)).update(`kalypto backup ${format} ${schema} ${sha256}`).digest('hex');

const say = text => process.stdout.write(`${text}\n`);

const tasks = {
  async seal(key, dump, schema, target) {
    const manifest = { format: 1, schema, sha256: await hashOf(dump) };
    writeFileSync(target, `${JSON.stringify({ ...manifest, seal: sealOf(key, manifest) }, null, 2)}\n`);
  },

  // Prints "own SCHEMA" or "foreign SCHEMA"; fails for what is not whole.
  async check(key, dump, file) {
    const manifest = JSON.parse(readFileSync(file, 'utf8'));
    if (manifest.format !== 1 || !/^\d{4}$/.test(manifest.schema) || manifest.sha256 !== await hashOf(dump)) {
      process.exit(1);
    }
    const [seal, known] = [Buffer.from(String(manifest.seal)), Buffer.from(sealOf(key, manifest))];
    say(`${seal.length === known.length && timingSafeEqual(seal, known) ? 'own' : 'foreign'} ${manifest.schema}`);
  },

  // The functions that migrations make, as SQL values of name and MD5 of the source.
  functions(folder) {
    const sql = readdirSync(folder).filter(f => f.endsWith('.sql')).map(f => readFileSync(join(folder, f), 'utf8')).join('\n');
    const found = [...sql.matchAll(/create (?:or replace )?function (\w+)\([^$]*\$\$([^]*?)\$\$/g)];
    say(found.map(([, name, source]) => `('${name}', '${createHash('md5').update(source).digest('hex')}')`).join(', '));
  },
};

await tasks[process.argv[2]](...process.argv.slice(3));
