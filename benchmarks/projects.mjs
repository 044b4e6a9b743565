// What a project of 300 designs costs beside one of 1, and the first page with 500 projects; all as the server says it.
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
  line(`the first page with ${projects} projects, ms`, median(first).toFixed(0), '< 300', median(first) < 300);
} finally {
  await browser.close();
  await server.stop();
}
