// Our pixels against Chromium's: every demo layer alone, at 1x, 2x and 3x.
import assert from 'node:assert/strict';
import { execFile } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { after, before, test } from 'node:test';
import { promisify } from 'node:util';
import { PNG } from 'pngjs';
import { launch, newPage } from './browser.mjs';
import { exceptions } from './fidelity-exceptions.mjs';
import { root } from './server.mjs';

const tolerance = 16;
const most = 0.02;
// Chromium rounds the coverage of edges to quarters of a pixel, which alone is up to 32/255. So it draws each layer several
// times as large where that fits, and its pixels are averaged down: its true picture, without that rounding.
const closer = [8, 4, 2, 1];
const pages = [1600, 4500];
const mostPixels = 5e6;
let browser;
// Text is set unhinted, as on any screen of high density.
before(async () => { browser = await launch('--font-render-hinting=none', '--enable-font-subpixel-positioning'); });
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

// Averages blocks of pixels, colours weighted by their alpha.
function averaged(png, times) {
  const [width, height] = [png.width / times, png.height / times];
  const data = Buffer.alloc(width * height * 4);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const sum = [0, 0, 0, 0];
      for (let dy = 0; dy < times; dy++) {
        for (let dx = 0; dx < times; dx++) {
          const i = ((y * times + dy) * png.width + x * times + dx) * 4;
          const alpha = png.data[i + 3];
          sum[0] += png.data[i] * alpha;
          sum[1] += png.data[i + 1] * alpha;
          sum[2] += png.data[i + 2] * alpha;
          sum[3] += alpha;
        }
      }
      data.set([...sum.slice(0, 3).map(c => sum[3] ? Math.round(c / sum[3]) : 0), Math.round(sum[3] / times / times)], (y * width + x) * 4);
    }
  }
  return { width, height, data };
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
        const theirs = averaged(PNG.sync.read(await page.screenshot({ clip, omitBackground: true })), times);
        const ours = PNG.sync.read(readFileSync(join(out, `${layer.ordinal}@${scale}.png`)));
        assert.deepEqual([ours.width, ours.height], [theirs.width, theirs.height]);
        results.push({ name: layer.name, content: layer.content, scale, part: difference(ours.data, theirs.data), ordinal: layer.ordinal });
      }
    }
    await page.close();
  }
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

test('the visitor app is drawn as Chromium draws it', { timeout: 900_000 }, t => compare('visitor-app', t));
test('the website is drawn as Chromium draws it', { timeout: 900_000 }, t => compare('website', t));
