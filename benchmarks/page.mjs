// How fast the server answers an edit of 500 of 5,000 layers, and how fast the bench of 5,000 rows can be used.
import { launch, newPage } from '../tests/browser/browser.mjs';
import { serve } from '../tests/browser/server.mjs';

const groups = 2500;
const rounds = 15;
const warmUp = 25;
let seed = 1;
const random = n => { seed = (seed * 48271) % 0x7fffffff; return seed % n; };
const parts = Array.from({ length: groups }, (_, i) => `<g data-name='part ${i}' transform='translate(${random(1400)} ${random(3900)})'>`
  + `<path d='M0 0L${random(24)} ${random(24)}L${random(24)} ${random(24)}C${random(24)} ${random(9)} ${random(24)} 4 ${random(24)} 5z' fill='#${100 + random(800)}'/></g>`);
const drawing = `<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 1440 4000'>${parts.join('')}</svg>`;

const median = times => [...times].sort((a, b) => a - b)[Math.floor(times.length / 2)];
const line = (what, value, target, met) => console.log(`${what.padEnd(56)} ${String(Math.round(value)).padStart(8)}    ${target}${met ? '' : '  missed'}`);

const server = await serve({ demo: false });
const browser = await launch();
try {
  const page = await newPage(browser, { viewport: { width: 1280, height: 800 } });
  await page.goto(server.address);
  await page.setInputFiles('input[type=file]', { name: 'big.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(drawing) });
  await page.waitForURL(/projects\/1$/, { timeout: 120_000 });
  const bench = `${server.address}/projects/1/bench/1/0`;
  await page.goto(bench);
  await page.waitForSelector('.ledger-row');

  // What the server says it took, from the request to the beginning of its answer.
  const edits = await page.evaluate(async ([rounds, warmUp]) => {
    const layers = benchRows.list.filter(r => r.hasChildren).slice(0, 500).map(r => r.ordinal);
    const post = async (end, change) => {
      const response = await fetch(`/api/projects/1/${end}`, {
        method: 'POST', headers: { 'X-Kalypto-Token': document.documentElement.dataset.token, 'X-Kalypto-Page': 'bench', 'Content-Type': 'application/json' },
        body: JSON.stringify({ design: 1, screen: 0, since: benchRows.version, layers, ...change }),
      });
      benchRows.version = (await response.json()).version;
      return Number(response.headers.get('Server-Timing').match(/dur=([\d.]+)/)[1]);
    };
    const times = { decide: [], tag: [], name: [] };
    // A server that has run for a while: the first rounds are not counted.
    for (let i = -warmUp; i < rounds; i++) {
      times.decide.push(await post('edit', { decision: i % 2 ? 'Open' : 'Code' }));
      times.tag.push(await post('edit', { tags: i % 2 ? '-icon' : 'icon to:icons' }));
      times.name.push(await post('rename', { find: '', replace: i % 2 ? 'thing {n}' : '{kind}-{n}', isExpression: false, style: 'AsTyped', start: 1, suggest: false }));
    }
    return Object.fromEntries(Object.entries(times).map(([what, all]) => [what, all.slice(warmUp)]));
  }, [rounds, warmUp]);
  for (const [what, times] of Object.entries(edits)) {
    const ms = median(times);
    line(`${what} 500 of 5,000 layers, ms`, ms, '< 100', ms < 100);
  }

  const interactive = [];
  for (let i = 0; i < 5; i++) {
    const before = Date.now();
    await page.goto(bench, { waitUntil: 'commit' });
    await page.waitForFunction(() => document.documentElement.dataset.ready === 'bench' && document.querySelector('.ledger-row'));
    await page.keyboard.press('ArrowDown');
    await page.waitForFunction(() => document.querySelector('.ledger-row.cursor')?.getAttribute('aria-rowindex') === '3');
    interactive.push(Date.now() - before);
  }
  line('bench of 5,000 rows can be used after, ms', median(interactive), '< 1500', median(interactive) < 1500);
  const rows = await page.evaluate(async () => {
    const box = document.querySelector('.rows');
    const steps = [];
    for (let i = 1; i <= 60; i++) {
      const before = performance.now();
      // A turn of the wheel.
      box.scrollTop += 100;
      await new Promise(resolve => { requestAnimationFrame(() => setTimeout(resolve, 0)); });
      steps.push(performance.now() - before);
    }
    return { steps, drawn: document.querySelectorAll('.ledger-row').length };
  });
  line('a turn of the wheel is drawn after, ms', median(rows.steps), '< 50', median(rows.steps) < 50);
  line('rows in the page of 5,000', rows.drawn, '< 80', rows.drawn < 80);
} finally {
  await browser.close();
  await server.stop();
}
