// What a project of 300 designs costs beside one of 1, and the first page with 500 projects; all as the server says it.
// DRAWINGS_GB=4 fills the database with that much of drawings with photos first, and says what the server then holds.
import { randomBytes } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { PNG } from '../tests/browser/node_modules/pngjs/lib/png.js';
import { launch, newPage } from '../tests/browser/browser.mjs';
import { serve } from '../tests/browser/server.mjs';

const designs = 300;
const layers = 10;
const projects = 500;
const rounds = 31;
const warmUp = 25;

// Each board is drawn otherwise: what repeats is decided in all its places at once, which is another edit.
const drawing = number => `<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 400 400'>${Array.from({ length: layers },
  (_, i) => `<rect id='part${i}' x='${i * 30}' y='${number}' width='${20 + i}' height='${10 + number / 10}' fill='#36${i}'/>`).join('')}</svg>`;
const files = count => Array.from({ length: count }, (_, i) => ({ name: `board ${i}.svg`, mimeType: 'image/svg+xml', buffer: Buffer.from(drawing(i)) }));
const median = times => [...times].sort((a, b) => a - b)[Math.floor(times.length / 2)];
const line = (what, value, target, met) => console.log(`${what.padEnd(56)} ${value.padStart(8)}    ${target}${met ? '' : '   MISSED'}`);

// A photo of noise: nothing makes it smaller.
const photo = () => {
  const png = new PNG({ width: 1800, height: 1800 });
  randomBytes(png.data.length).copy(png.data);
  return PNG.sync.write(png, { deflateLevel: 0, filterType: 0 }).toString('base64');
};
const held = pid => Number(readFileSync(`/proc/${pid}/status`, 'utf8').match(/VmRSS:\s+(\d+)/)[1]) / 1024;

// Boards of one photo and ten shapes, ten in a project, each looked at once.
async function fill(page, gigabytes) {
  const folder = mkdtempSync(join(tmpdir(), 'kalypto-drawings-'));
  try {
    const image = photo();
    for (let made = 0, number = 0; made < gigabytes * 2 ** 30;) {
      const paths = Array.from({ length: 10 }, () => {
        const path = join(folder, `sky ${number}.svg`);
        writeFileSync(path, drawing(number++).replace('</svg>', `<image width='300' height='300' href='data:image/png;base64,${image}'/></svg>`));
        made += image.length;
        return path;
      });
      await page.goto(server.address);
      await page.setInputFiles('input[type=file]', paths);
      await page.waitForURL(/projects\/\d+$/, { timeout: 600_000 });
      paths.forEach(path => rmSync(path));
      if (number % 100 === 0) {
        console.error(`${number} drawings, ${(made / 2 ** 30).toFixed(1)} GB in the database, the server holds ${held(server.pid).toFixed(0)} MB`);
      }
    }
  } finally {
    rmSync(folder, { recursive: true });
  }
}

const server = await serve({ demo: false });
const browser = await launch();
try {
  const page = await newPage(browser);
  const bring = async count => {
    await page.goto(server.address);
    await page.setInputFiles('input[type=file]', files(count));
    await page.waitForURL(/projects\/\d+$/, { timeout: 600_000 });
    return Number(page.url().match(/\d+$/)[0]);
  };
  const gigabytes = Number(process.env.DRAWINGS_GB ?? 0);
  await fill(page, gigabytes);
  const [small, large] = [await bring(1), await bring(designs)];
  const times = await page.evaluate(async ([small, large, rounds, warmUp]) => {
    const took = async (path, options = {}) => {
      const response = await fetch(path, { cache: 'no-store', ...options });
      if (!response.ok) {
        throw new Error(`${path}: ${response.status} ${await response.text()}`);
      }
      await response.arrayBuffer();
      return Number(response.headers.get('Server-Timing').match(/dur=([\d.]+)/)[1]);
    };
    const headers = { 'X-Kalypto-Token': document.documentElement.dataset.token, 'X-Kalypto-Page': 'bench', 'Content-Type': 'application/json' };
    const firstOf = async project => {
      const html = await (await fetch(`/projects/${project}`)).text();
      return Number(html.match(new RegExp(`/projects/${project}/bench/(\\d+)/`))[1]);
    };
    const design = { [small]: await firstOf(small), [large]: await firstOf(large) };
    const ask = {
      'an edit of 1 layer': (project, i) => took(`/api/projects/${project}/edit`, {
        method: 'POST', headers, body: JSON.stringify({ design: design[project], screen: 0, layers: [3], decision: i % 2 ? 'Open' : 'Code' }),
      }),
      'a bench page': project => took(`/projects/${project}/bench/${design[project]}/0`),
      'a thumbnail': project => took(`/pictures/${project}/${design[project]}/layer/4.png`),
    };
    const all = {};
    const measure = async state => {
      for (const [what, one] of Object.entries(ask)) {
        const pairs = [];
        for (let i = -warmUp; i < rounds; i++) {
          pairs.push([await one(small, i), await one(large, i)]);
        }
        all[`${what}${state}`] = pairs.slice(warmUp);
      }
    };
    await measure('');
    // One layer of each board ships, so the pack is of 300 pictures and of 1.
    for (const project of [small, large]) {
      const html = await (await fetch(`/projects/${project}`)).text();
      for (const board of new Set([...html.matchAll(new RegExp(`/projects/${project}/bench/(\\d+)/`, 'g'))].map(m => Number(m[1])))) {
        await took(`/api/projects/${project}/edit`, { method: 'POST', headers, body: JSON.stringify({ design: board, screen: 0, layers: [2], decision: 'Ship' }) });
      }
    }
    // Drawing takes both processors, and each file that gets ready is news for the plan.
    for (const project of [small, large]) {
      while ((await kalypto.get(`/api/projects/${project}/bench/${design[project]}/0`)).sum.pending > 0) {
        await new Promise(resolve => { setTimeout(resolve, 1000); });
      }
    }
    await measure(', each ships one');
    return all;
  }, [small, large, rounds, warmUp]);
  for (const [what, pairs] of Object.entries(times)) {
    const [one, many] = [median(pairs.map(p => p[0])), median(pairs.map(p => p[1]))];
    const ratio = many / one;
    line(`${what}: ${designs} boards ${many.toFixed(1)} ms, 1 ${one.toFixed(1)} ms`, `${ratio.toFixed(2)}x`, '< 1.5x', ratio < 1.5);
  }

  const first = await page.evaluate(async ([projects, rounds]) => {
    for (let i = 0; i < projects; i++) {
      await kalypto.post('/api/projects/new', { name: `Dome shutter ${i}` });
    }
    const times = [];
    for (let i = 0; i < rounds; i++) {
      const response = await fetch('/', { cache: 'no-store' });
      await response.arrayBuffer();
      times.push(Number(response.headers.get('Server-Timing').match(/dur=([\d.]+)/)[1]));
    }
    return times;
  }, [projects, rounds]);
  if (gigabytes) {
    line(`the server with ${gigabytes} GB of drawings in its database, MB`, held(server.pid).toFixed(0), '< 700', held(server.pid) < 700);
  }
  line(`the first page with ${projects} projects, ms`, median(first).toFixed(0), '< 300', median(first) < 300);
} finally {
  await browser.close();
  await server.stop();
}
