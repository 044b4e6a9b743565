// Our pixels against Chromium's: every demo layer alone, at 1x, 2x and 3x.
import assert from 'node:assert/strict';
import { execFile } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { after, before, test } from 'node:test';
import { promisify } from 'node:util';
import { PNG } from 'pngjs';
import { launch } from './browser.mjs';
import { exceptions } from './fidelity-exceptions.mjs';
import { root } from './server.mjs';

const tolerance = 16;
const most = 0.02;
const margin = 250;
let browser;
before(async () => { browser = await launch(); });
after(() => browser?.close());

// The part of the ink pixels that differ by more than the tolerance, as they would be seen on any ground.
function difference(a, b) {
  let ink = 0;
  let differing = 0;
  for (let i = 0; i < a.length; i += 4) {
    if (!a[i + 3] && !b[i + 3]) {
      continue;
    }
    ink++;
    const far = [0, 1, 2].some(c => Math.abs(a[i + c] * a[i + 3] - b[i + c] * b[i + 3]) > tolerance * 255) || Math.abs(a[i + 3] - b[i + 3]) > tolerance;
    differing += far ? 1 : 0;
  }
  return ink ? differing / ink : 0;
}

// Runs in the page: shows one layer only, the way a person would with a browser's tools.
function prepare({ source, margin }) {
  const drawing = document.adoptNode(new DOMParser().parseFromString(source, 'image/svg+xml').documentElement);
  Object.assign(drawing.style, { position: 'absolute', left: `${margin}px`, top: `${margin}px`, overflow: 'visible' });
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
  window.showOnly = ordinal => {
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
  const [, width, height] = source.match(/viewBox="0 0 (\d+) (\d+)"/);
  const results = [];
  for (const scale of [1, 2, 3]) {
    const page = await browser.newPage({ viewport: { width: +width + 2 * margin, height: +height + 2 * margin }, deviceScaleFactor: scale });
    await page.setContent(`<style>${fonts.join('')} body { margin: 0 }</style>${[400, 500, 600, 700].map(w => `<p style="font:${w} 9px Figtree;position:absolute;left:-99px">x</p>`).join('')}`);
    await page.evaluate(prepare, { source, margin });
    // The first picture waits for everything to be decoded.
    await page.screenshot();
    for (const layer of layers) {
      await page.evaluate(o => window.showOnly(o), layer.ordinal);
      const clip = { x: layer.x + margin, y: layer.y + margin, width: layer.width, height: layer.height };
      const theirs = PNG.sync.read(await page.screenshot({ clip, omitBackground: true }));
      const ours = PNG.sync.read(readFileSync(join(out, `${layer.ordinal}@${scale}.png`)));
      assert.deepEqual([ours.width, ours.height], [theirs.width, theirs.height]);
      results.push({ name: layer.name, content: layer.content, scale, part: difference(ours.data, theirs.data), ordinal: layer.ordinal });
    }
    await page.close();
  }
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

test('the visitor app is drawn as Chromium draws it', { timeout: 900_000 }, t => compare('visitor-app', t));
test('the website is drawn as Chromium draws it', { timeout: 900_000 }, t => compare('website', t));
