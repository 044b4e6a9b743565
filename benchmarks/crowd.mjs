// Much at once: 20,000 layers brought in, 46,000 files planned, listed and built in part, 20 people who edit for two minutes.
import { readFileSync } from 'node:fs';
import { serve } from '../tests/browser/server.mjs';

const editors = 20;
const seconds = Number(process.env.CROWD_SECONDS ?? 120);
const alone = Math.max(10, seconds / 4);
const line = (what, value, target, met) => console.log(`${what.padEnd(56)} ${value.padStart(8)}    ${target}${met ? '' : '   MISSED'}`);
const held = pid => Number(readFileSync(`/proc/${pid}/status`, 'utf8').match(/VmRSS:\s+(\d+)/)[1]) / 1024;
const highest = pid => Number(readFileSync(`/proc/${pid}/status`, 'utf8').match(/VmHWM:\s+(\d+)/)[1]) / 1024;
const at95 = times => [...times].sort((a, b) => a - b)[Math.floor(times.length * 0.95)];

// Somebody with a browser of their own.
class Person {
  static async at(address) {
    const person = new Person();
    const page = await fetch(address);
    person.address = address;
    person.cookie = page.headers.getSetCookie().map(c => c.split(';')[0]).join('; ');
    person.token = (await page.text()).match(/data-token="([^"]+)"/)[1];
    return person;
  }
  async ask(path, options = {}) {
    const response = await fetch(this.address + path, { ...options, headers: { cookie: this.cookie, 'X-Kalypto-Token': this.token, 'X-Kalypto-Page': 'crowd', Origin: this.address, ...options.headers } });
    const text = await response.text();
    if (!response.ok) {
      throw new Error(`${path}: ${response.status} ${text.slice(0, 300)}`);
    }
    return text;
  }
  get(path) { return this.ask(path).then(JSON.parse); }
  post(path, body) { return this.ask(path, { method: 'POST', body: JSON.stringify(body), headers: { 'Content-Type': 'application/json' } }).then(JSON.parse); }
  async bring(name, text) {
    const form = new FormData();
    form.append('files', new Blob([text]), name);
    const lines = (await this.ask('/api/projects', { method: 'POST', body: form })).split('\n').filter(Boolean).map(l => JSON.parse(l));
    const { project, result } = lines.at(-1);
    return { project, design: result.design, message: result.message, reached: lines.length - 1 };
  }
}

const shapes = [
  (x, y, i) => `<line id='ray${i}' x1='${x}' y1='${y}' x2='${x + 30}' y2='${y + i % 3}' stroke='#000' stroke-width='2'/>`,
  (x, y, i) => `<path id='star${i}' transform='translate(${x} ${y}) rotate(${i % 90})' d='M2 2h8l4 4c2 3 4 5 6 1z' stroke='#036' fill='none'/>`,
  (x, y, i) => `<text id='name${i}' x='${x}' y='${y}' font-size='9'>Star ${i}</text>`,
  (x, y, i) => `<circle id='spot${i}' cx='${x}' cy='${y}' r='${2 + i % 9}' fill='#c30'/>`,
];
const chart = (count, distinct) => `<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 2000 9000'>${Array.from({ length: count },
  (_, i) => shapes[i % (distinct ? 1 : 4)](20 + i % 190 * 10, 20 + Math.floor(i / 190) * 40 + (distinct ? i / 977 : 0), i)).join('')}</svg>`;

const server = await serve({ demo: false, drawers: 0 });
try {
  const one = await Person.at(server.address);
  const began = performance.now();
  const large = await one.bring('all sky.svg', chart(20_000));
  const took = (performance.now() - began) / 1000;
  line(`bringing in ${large.message}, told ${large.reached} times, s`, took.toFixed(1), '< 25', took < 25 && large.reached > 10);

  const people = [one, ...await Promise.all(Array.from({ length: editors - 1 }, () => Person.at(server.address)))];
  const { project, design } = await one.bring('night.svg', chart(400));
  const bench = `/api/projects/${project}/bench/${design}/0`;
  const { root, rows } = await one.get(bench);
  // Everybody has layers of their own and says in turn that they ship and that they do not; the last word of each must stand.
  const edit = async (person, number, until) => {
    const mine = rows.filter((_, i) => i % editors === number).map(r => r.ordinal);
    const times = [];
    let last = null;
    for (let i = 0; performance.now() < until; i++) {
      const layer = mine[i % mine.length];
      const decision = i % 3 ? 'Code' : 'Leave';
      const from = performance.now();
      await person.post(`/api/projects/${project}/edit`, { design, screen: root, layers: [layer], decision });
      times.push(performance.now() - from);
      last = { layer, decision };
      // As a quick person does; waiting is not measured.
      await new Promise(resolve => { setTimeout(resolve, 400); });
    }
    return { times, last };
  };
  await edit(one, 0, performance.now() + 5000);
  const single = await edit(one, 0, performance.now() + alone * 1000);
  const crowd = await Promise.all(people.map((person, i) => edit(person, i, performance.now() + seconds * 1000)));
  const times = crowd.flatMap(c => c.times);
  const [p, q] = [at95(single.times), at95(times)];
  const now = (await one.get(bench)).rows;
  const lost = crowd.filter(({ last }) => now.find(r => r.ordinal === last.layer).decision.toLowerCase() !== last.decision.toLowerCase()).length;
  line(`${times.length} edits by ${editors} at once, refused or lost`, String(lost), '0', lost === 0);
  line(`95 of 100 edits under: ${q.toFixed(0)} ms, of one alone ${p.toFixed(0)} ms`, `${(q / p).toFixed(1)}x`, '< 3x', q / p < 3);

  const many = await one.bring('field.svg', chart(3_850, true));
  const layers = (await one.get(`/api/projects/${many.project}/bench/${many.design}/0`)).rows.map(r => r.ordinal);
  await one.post(`/api/projects/${many.project}/edit`, { design: many.design, screen: 0, layers, decision: 'Ship', tags: 'picture png' });
  const sum = (await one.get(`/api/projects/${many.project}/bench/${many.design}/0`)).sum;
  await one.ask(`/projects/${many.project}/pack`);
  line(`planned and listed ${sum.files} files, the server holds MB`, held(server.pid).toFixed(0), '< 700', held(server.pid) < 700);
  const { build } = await one.post(`/api/projects/${many.project}/builds`, {});
  for (let i = 0; i < 20; i++) {
    await one.get(`/api/projects/${many.project}/builds`);
    await new Promise(resolve => { setTimeout(resolve, 500); });
  }
  await one.post(`/api/projects/${many.project}/builds/${build}/cancel`, {}).catch(() => {});
  line('the most that it held, while it planned and built, MB', highest(server.pid).toFixed(0), '< 700', highest(server.pid) < 700);
} finally {
  await server.stop();
}
