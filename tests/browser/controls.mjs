// Which controls the pages have, as they are served, and which of them the tests press: every test's pages take part, so a
// control that no test presses is known at the end of a run.
import { mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

// A control is what listens to one of these, or holds what somebody types; what lies around it only keeps an event from going on.
const events = ['click', 'change', 'submit', 'dblclick', 'input'];
const served = new Set();
const pressed = new Set();
const folder = process.env.KALYPTO_CONTROLS;

// In the page. Alpine leaves the attributes as they were written.
const script = events => {
  if (window !== window.top) {
    return;
  }
  const eventOf = name => name.startsWith('x-model') ? 'input' : name.startsWith('@') && !/\.(outside|window)/.test(name) ? name.slice(1).split('.')[0] : '';
  const saysOf = (element, scope) => [...element.attributes].filter(a => a.value && events.includes(eventOf(a.name))).map(a => [eventOf(a.name), `${scope}: ${element.localName} ${a.name}="${a.value.replace(/\s+/g, ' ')}"`]);
  const walk = (root, scope) => {
    const found = [];
    for (const element of root.children) {
      const own = element.getAttribute('x-data')?.replace(/\(.*/s, '') || scope;
      found.push(...saysOf(element, own).map(([, control]) => control), ...walk(element.localName === 'template' ? element.content : element, own));
    }
    return found;
  };
  // Parsed, and no script of the page has begun.
  document.addEventListener('readystatechange', () => {
    if (document.readyState === 'interactive' && document.body) {
      window.kalyptoControls('served', walk(document.body, ''));
    }
  });
  for (const event of events) {
    window.addEventListener(event, e => {
      const path = e.composedPath().filter(x => x instanceof Element);
      const controls = path.flatMap(x => saysOf(x, x.closest('[x-data]')?.getAttribute('x-data').replace(/\(.*/s, '') ?? '').filter(([on]) => on === event || (on === 'input' && event === 'change')).map(([, control]) => control));
      if (controls.length) {
        window.kalyptoControls('pressed', controls);
      }
    }, true);
  }
};

// Makes the pages of a person tell.
export const watchControls = async context => {
  if (folder) {
    await context.exposeBinding('kalyptoControls', (_, kind, controls) => controls.forEach(control => (kind === 'served' ? served : pressed).add(control)));
    await context.addInitScript(script, events);
  }
};

process.on('exit', () => {
  if (folder && served.size) {
    mkdirSync(folder, { recursive: true });
    writeFileSync(join(folder, `${process.pid}.json`), JSON.stringify({ served: [...served], pressed: [...pressed] }));
  }
});

// What all files of a run have seen.
export const readControls = () => {
  const runs = readdirSync(folder).map(name => JSON.parse(readFileSync(join(folder, name), 'utf8')));
  const all = kind => new Set(runs.flatMap(run => run[kind]));
  return { served: [...all('served')].sort(), pressed: all('pressed') };
};
