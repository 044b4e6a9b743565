// Icons and flags of other people, as layers of one drawing: what is written of them shows the same, weighs no more, and none is missing.
import assert from 'node:assert/strict';
import { execFile } from 'node:child_process';
import { existsSync, mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { basename, join } from 'node:path';
import { after, before, test } from 'node:test';
import { promisify } from 'node:util';
import { optimize } from 'svgo';
import { launch, newPage } from './browser.mjs';
import { root } from './server.mjs';
import { toSvg } from './vector-drawable.mjs';

const most = 0.01;
const tolerance = 24;
const times = 4;

// Browsers round the coverage of an edge, so both are drawn larger and averaged down.
const closer = 3;
const heavier = 1.02;
let browser, page;
before(async () => {
  browser = await launch();
  page = await newPage(browser);
});
after(() => browser?.close());

const packages = join(root, 'tests/browser/node_modules');
const sets = {
  'lucide-static': { folder: 'lucide-static/icons', every: 26, side: 24 },
  heroicons: { folder: 'heroicons/24/outline', every: 5, side: 24 },
  'flag-icons': { folder: 'flag-icons/flags/4x3', every: 4, side: 64 },
};

// Each file is a group with what its root says; ids are made those of the drawing, as a drawing has each once.
function drawingOf({ folder, every, side }) {
  const names = readdirSync(join(packages, folder)).filter(f => f.endsWith('.svg')).filter((_, i) => i % every === 0);
  const groups = names.map((file, i) => {
    const name = basename(file, '.svg');
    const source = readFileSync(join(packages, folder, file), 'utf8').replace(/<!--.*?-->/gs, '').replace(/<\?xml.*?\?>/, '');
    const [, head, inside] = /<svg([^>]*)>(.*)<\/svg>/s.exec(source);
    const [x, y, width] = /viewBox="([^"]+)"/.exec(head)[1].split(/\s+/).map(Number);
    const said = [...head.matchAll(/\s(fill|stroke|stroke-width|stroke-linecap|stroke-linejoin|color)="([^"]*)"/g)].map(m => `${m[1]}="${m[2]}"`).join(' ');
    const own = inside.replace(/\bid="([^"]+)"/g, `id="${name}-in-$1"`).replace(/url\(#([^)]+)\)/g, `url(#${name}-in-$1)`).replace(/href="#([^"]+)"/g, `href="#${name}-in-$1"`);
    const scale = side / width;
    return `<g id="${name}" ${said} transform="translate(${(i % 10) * 1.5 * side} ${Math.floor(i / 10) * 1.5 * side}) scale(${scale}) translate(${-x} ${-y})">${own}</g>`;
  });
  const file = join(mkdtempSync(join(tmpdir(), 'kalypto-set-')), 'set.svg');
  writeFileSync(file, `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" viewBox="0 0 ${15 * side} ${15 * side}">${groups.join('')}</svg>`);
  return { file, names: names.map(n => basename(n, '.svg')) };
}

const shareOf = (a, b, width, height) => page.evaluate(async ([a, b, width, height, tolerance, times, closer]) => {
  const draw = async text => {
    const image = new Image();
    image.src = `data:image/svg+xml;base64,${text}`;
    await image.decode();
    const [w, h] = [width * times, height * times];
    const context = new OffscreenCanvas(w * closer, h * closer).getContext('2d', { willReadFrequently: true });
    context.drawImage(image, 0, 0, w * closer, h * closer);
    const { data } = context.getImageData(0, 0, w * closer, h * closer);
    const out = new Float64Array(w * h * 4);
    for (let y = 0; y < h * closer; y++) {
      for (let x = 0; x < w * closer; x++) {
        const [from, to] = [(y * w * closer + x) * 4, (Math.floor(y / closer) * w + Math.floor(x / closer)) * 4];
        for (let c = 0; c < 3; c++) {
          out[to + c] += data[from + c] * data[from + 3] / 255 / closer ** 2;
        }
        out[to + 3] += data[from + 3] / closer ** 2;
      }
    }
    return out;
  };
  const [one, two] = [await draw(a), await draw(b)];
  let ink = 0, far = 0;
  for (let i = 0; i < one.length; i += 4) {
    if (one[i + 3] || two[i + 3]) {
      ink++;
      far += Math.max(...[0, 1, 2, 3].map(c => Math.abs(one[i + c] - two[i + c]))) > tolerance ? 1 : 0;
    }
  }
  return ink ? far / ink : 1;
}, [a, b, width, height, tolerance, times, closer]);

const asTree = xml => page.evaluate(text => {
  const of = e => ({ name: e.nodeName, attributes: Object.fromEntries([...e.attributes].map(a => [a.name, a.value])), children: [...e.children].map(of) });
  return of(new DOMParser().parseFromString(text, 'application/xml').documentElement);
}, xml);

for (const [name, set] of Object.entries(sets)) {
  test(`${name}: equal at 4x, light, each by its name`, { timeout: 3_600_000 }, async () => {
    const { file, names } = drawingOf(set);
    const out = mkdtempSync(join(tmpdir(), 'kalypto-set-out-'));
    await promisify(execFile)(join(root, 'tests/Kalypto.Fidelity/bin/Release/net10.0/Kalypto.Fidelity'), [file, join(root, 'demo/fonts'), out, '1']);
    const layers = JSON.parse(readFileSync(join(out, 'layers.json'), 'utf8'));
    const [wrong, doubled] = [[], []];
    let ours = 0, theirs = 0, vectors = 0;
    assert.deepEqual(names.filter(n => !layers.some(l => l.name === n)), []);
    for (const icon of names) {
      const { ordinal, width, height } = layers.find(l => l.name === icon);
      const [raw, short] = ['raw.svg', 'svg'].map(ending => readFileSync(join(out, `${ordinal}.${ending}`), 'utf8'));
      const ids = [...short.matchAll(/\sid="([^"]+)"/g)].map(m => m[1]);
      if (new Set(ids).size !== ids.length) {
        doubled.push(icon);
      }
      ours += short.length;
      theirs += optimize(raw, { multipass: true }).data.length;
      const base = Buffer.from(raw).toString('base64');
      const share = await shareOf(base, Buffer.from(short).toString('base64'), width, height);
      if (share >= most) {
        wrong.push(`${icon}.svg ${(100 * share).toFixed(1)} %`);
      }
      if (existsSync(join(out, `${ordinal}.xml`))) {
        vectors++;
        const back = toSvg(await asTree(readFileSync(join(out, `${ordinal}.xml`), 'utf8')));
        const share = await shareOf(base, Buffer.from(back).toString('base64'), width, height);
        if (share >= most) {
          wrong.push(`${icon}.xml ${(100 * share).toFixed(1)} %`);
        }
      }
    }
    console.log(`# ${name}: ${names.length} drawings, ${vectors} as Android vector, ${(ours / theirs).toFixed(3)} of svgo`);
    assert.deepEqual([wrong, doubled], [[], []]);
    assert.ok(ours / theirs < heavier, `${(ours / theirs).toFixed(3)} of the weight by svgo`);
    assert.ok(names.length > 60 && vectors > names.length * 0.8, `${vectors} of ${names.length} are vectors`);
  });
}
