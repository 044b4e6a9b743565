// Prints how long each part of a run took and its slowest tests, out of the logs of all runners.
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

const most = 20;
const [folder] = process.argv.slice(2);
const files = readdirSync(folder);
const print = rows => rows.sort((a, b) => b.seconds - a.seconds).forEach(r => console.log(`${r.seconds.toFixed(1).padStart(7)} s  ${r.name}`));

console.log('== the parts');
print(files.filter(f => f.endsWith('.began') && existsSync(join(folder, f.replace('.began', '.ended')))).map(f => ({
  name: f.replace('.began', ''),
  seconds: Number(readFileSync(join(folder, f.replace('.began', '.ended')), 'utf8')) - Number(readFileSync(join(folder, f), 'utf8')),
})));

const tests = [];
for (const file of files) {
  const text = readFileSync(join(folder, file), 'utf8');
  if (file.endsWith('.xml')) {
    for (const [, name, seconds] of text.matchAll(/<test [^>]*?name="([^"]*)"[^>]*?time="([\d.]+)"/g)) {
      tests.push({ name: name.replace(/^.*\.Tests\./, ''), seconds: Number(seconds) });
    }
  } else if (file === 'browser.log') {
    for (const [, name, ms] of text.matchAll(/^(?:not )?ok \d+ - (.*)\n +---\n +duration_ms: ([\d.]+)/gm)) {
      tests.push({ name, seconds: Number(ms) / 1000 });
    }
  }
}
console.log(`== the slowest ${most}`);
print(tests.sort((a, b) => b.seconds - a.seconds).slice(0, most));
