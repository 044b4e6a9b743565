// Our pixels against Chromium's: every demo layer alone, at 1x, 2x and 3x.
import assert from 'node:assert/strict';
import { execFile } from 'node:child_process';
import { once } from 'node:events';
import { mkdtempSync, readdirSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { after, before, test } from 'node:test';
import { promisify } from 'node:util';
import { Worker } from 'node:worker_threads';
import { launch, newPage } from './browser.mjs';
import { exceptions } from './fidelity-exceptions.mjs';
import { root } from './server.mjs';

const most = 0.02;
// Chromium rounds the coverage of edges to quarters of a pixel, which alone is up to 32/255. So it draws each layer several
// times as large where that fits, and its pixels are averaged down: its true picture, without that rounding.
const closer = [8, 4, 2, 1];
const pages = [1600, 4500];
const mostPixels = 5e6;
let browser;
// Text is set unhinted, as on any screen of high density.
const comparing = new Worker(new URL('fidelity-difference.mjs', import.meta.url));
before(async () => { browser = await launch('--font-render-hinting=none', '--enable-font-subpixel-positioning'); });
after(async () => { await comparing.terminate(); await browser?.close(); });

async function part(pictures) {
  comparing.postMessage(pictures);
  return (await once(comparing, 'message'))[0];
}

// Runs in the page: shows one layer only, the way a person would with a browser's tools.
function prepare(source) {
  const drawing = document.adoptNode(new DOMParser().parseFromString(source, 'image/svg+xml').documentElement);
  Object.assign(drawing.style, { position: 'absolute', left: 0, top: 0, overflow: 'visible', transformOrigin: '0 0' });
  document.body.append(drawing);
  const containers = ['svg', 'g', 'a', 'switch'];
  const isLayer = e => [...containers, 'path', 'rect', 'circle', 'ellipse', 'line', 'polyline', 'polygon', 'text', 'image', 'use'].includes(e.localName);
  const layers = [];
  const add = e => {
    layers.push(e);
    if (containers.includes(e.localName)) {
      [...e.children].filter(isLayer).forEach(add);
    }
  };
  add(drawing);
  drawing.querySelectorAll('svg').forEach(e => { e.style.overflow = 'visible'; });
  let undo = [];
  const set = (element, property, value) => {
    const before = [element.style.getPropertyValue(property), element.style.getPropertyPriority(property)];
    undo.push(() => element.style.setProperty(property, ...before));
    element.style.setProperty(property, value, 'important');
  };
  window.showOnly = (ordinal, x, y, scale) => {
    drawing.style.transform = `scale(${scale}) translate(${-x}px, ${-y}px)`;
    undo.reverse().forEach(u => u());
    undo = [];
    const target = layers[ordinal];
    set(target, 'display', 'inline');
    for (let e = target; e !== drawing; e = e.parentElement) {
      [...e.parentElement.children].filter(s => s !== e && isLayer(s)).forEach(s => set(s, 'display', 'none'));
      if (e.parentElement !== drawing) {
        set(e.parentElement, 'filter', 'none');
        set(e.parentElement, 'display', 'inline');
      }
    }
  };
  return document.fonts.ready.then(() => Promise.all([...document.querySelectorAll('image')].map(i => i.decode?.().catch(() => {}))));
}

async function compare(name, t) {
  const out = mkdtempSync(join(tmpdir(), 'kalypto-fidelity-'));
  await promisify(execFile)(join(root, 'tests/Kalypto.Fidelity/bin/Release/net10.0/Kalypto.Fidelity'), [join(root, `demo/${name}.svg`), join(root, 'demo/fonts'), out]);
  const layers = JSON.parse(readFileSync(join(out, 'layers.json'), 'utf8'));
  const fonts = readdirSync(join(root, 'demo/fonts')).filter(f => f.endsWith('.ttf')).map(f =>
    `@font-face { font-family: Figtree; font-weight: ${f.match(/\d+/)[0]}; src: url(data:font/ttf;base64,${readFileSync(join(root, 'demo/fonts', f)).toString('base64')}) }`);
  const source = readFileSync(join(root, `demo/${name}.svg`), 'utf8');
  const results = [];
  let compared;
  for (const side of pages) {
    const page = await newPage(browser, { viewport: { width: side, height: side } });
    await page.setContent(`<style>${fonts.join('')} body { margin: 0; overflow: hidden } text { text-rendering: geometricPrecision }</style>${[400, 500, 600, 700].map(w => `<p style="font:${w} 9px Figtree;position:absolute;left:-99px">x</p>`).join('')}`);
    await page.evaluate(prepare, source);
    // The first picture waits for everything to be decoded.
    await page.screenshot();
    for (const layer of layers) {
      for (const scale of [1, 2, 3]) {
        const fits = n => closer.find(c => Math.max(layer.width, layer.height) * scale * c <= n 
          && (c === 1 || layer.width * layer.height * (scale * c) ** 2 <= mostPixels)) ?? 0;
        const times = fits(side);
        if ((fits(pages[0]) >= 4 ? pages[0] : pages[1]) !== side) {
          continue;
        }
        await page.evaluate(a => window.showOnly(...a), [layer.ordinal, layer.x, layer.y, scale * times]);
        const clip = { x: 0, y: 0, width: layer.width * scale * times, height: layer.height * scale * times };
        const theirs = await page.screenshot({ clip, omitBackground: true });
        // The last one was compared while this one was taken.
        await compared;
        compared = part({ theirs, times, ours: join(out, `${layer.ordinal}@${scale}.png`) })
          .then(part => results.push({ name: layer.name, content: layer.content, scale, part, ordinal: layer.ordinal }));
      }
    }
    await page.close();
  }
  await compared;
  assert.equal(results.length, layers.length * 3);
  const over = results.filter(r => r.part > most);
  if (process.env.FIDELITY_REPORT) {
    over.forEach(r => console.log(`${name}\t${r.content}\t${r.name}\t${r.ordinal}@${r.scale}\t${(r.part * 100).toFixed(2)}%`));
    console.log(out);
  }
  const parts = results.map(r => r.part).sort((a, b) => a - b);
  t.diagnostic(`${name}: ${layers.length} layers, median ${(parts[parts.length >> 1] * 100).toFixed(2)}%, ${over.length} of ${results.length} over ${most * 100}%`);
  assert.ok(layers.length > 90);
  assert.ok(parts[parts.length >> 1] < 0.01, 'median');
  const unknown = over.filter(r => !exceptions.some(e => e.covers(r)));
  assert.deepEqual(unknown.map(r => `${r.name} at ${r.scale}x: ${(r.part * 100).toFixed(1)}%`), []);
}

test('the visitor app is drawn as Chromium draws it', { timeout: 3_600_000 }, t => compare('visitor-app', t));
test('the website is drawn as Chromium draws it', { timeout: 3_600_000 }, t => compare('website', t));
