// Weights of SVG beside svgo with its defaults on the same extracted layer. usage: node weights.mjs FOLDER
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { createRequire } from 'node:module';

const { optimize } = createRequire(new URL('../tests/browser/package.json', import.meta.url))('svgo');
const folder = process.argv[2];
let ours = 0, theirs = 0, count = 0;
for (const name of readdirSync(folder).filter(f => f.endsWith('.raw.svg'))) {
  const raw = readFileSync(join(folder, name), 'utf8');
  // Photos weigh the same either way and would drown the rest.
  if (raw.includes('data:image')) {
    continue;
  }
  ours += Buffer.byteLength(readFileSync(join(folder, name.replace('.raw', '')), 'utf8'));
  theirs += Buffer.byteLength(optimize(raw, { multipass: true }).data);
  count++;
}
const ratio = ours / theirs;
console.log(`${`weight of ${count} SVG files / svgo`.padEnd(57)}${ratio.toFixed(3).padEnd(12)}< 1.05${ratio < 1.05 ? '' : '   MISSED'}`);
