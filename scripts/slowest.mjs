// Prints the slowest tests of a run, out of the logs of all runners.
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

const most = 12;
const tests = [];
const folder = process.argv[2];
for (const file of readdirSync(folder)) {
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
tests.sort((a, b) => b.seconds - a.seconds).slice(0, most).forEach(t => console.log(`${t.seconds.toFixed(1).padStart(6)} s  ${t.name}`));
