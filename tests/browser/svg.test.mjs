// Every layer of the demo written as an SVG of its own shows the same picture at 4x as the layer cut out of the drawing.
import assert from 'node:assert/strict';
import { execFile } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { basename, join } from 'node:path';
import { after, before, test } from 'node:test';
import { promisify } from 'node:util';
import { launch, newPage } from './browser.mjs';
import { root } from './server.mjs';

const most = 0.01;
const mostOfText = 0.15;
const tolerance = 24;
const mostPixels = 6e6;
let browser, page;
before(async () => {
  browser = await launch();
  page = await newPage(browser);
});
after(() => browser?.close());

// Icons that others drew, as groups of one drawing.
function icons() {
  const folder = join(root, 'src/Kalypto.Web/node_modules/bootstrap-icons/icons');
  const files = readdirSync(folder).filter((_, i) => i % 25 === 0);
  const groups = files.map((file, i) => `<g id="${file}" transform="translate(${(i % 10) * 20} ${Math.floor(i / 10) * 20})">${readFileSync(join(folder, file), 'utf8').replace(/<\/?svg[^>]*>/g, '')}</g>`);
  const drawing = join(mkdtempSync(join(tmpdir(), 'kalypto-icons-')), 'icons.svg');
  writeFileSync(drawing, `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 200 200">${groups.join('')}</svg>`);
  return drawing;
}

const drawings = [...readdirSync(join(root, 'demo')).filter(f => f.endsWith('.svg')).map(f => join(root, 'demo', f)), icons()];
for (const drawing of drawings) {
  test(`${basename(drawing)}: what is written short looks the same`, { timeout: 3_600_000 }, async () => {
    const out = mkdtempSync(join(tmpdir(), 'kalypto-svg-'));
    await promisify(execFile)(join(root, 'tests/Kalypto.Fidelity/bin/Release/net10.0/Kalypto.Fidelity'), [drawing, join(root, 'demo/fonts'), out, '1']);
    const layers = JSON.parse(readFileSync(join(out, 'layers.json'), 'utf8')).filter(l => l.width * l.height * 16 <= mostPixels);
    const wrong = [];
    let lighter = 0;
    for (const { ordinal, name, width, height } of layers) {
      const [raw, short] = ['raw.svg', 'svg'].map(ending => readFileSync(join(out, `${ordinal}.${ending}`)));
      lighter += short.length < raw.length ? 1 : 0;
      const share = await page.evaluate(async ([raw, short, width, height, tolerance]) => {
        const draw = async text => {
          const image = new Image();
          image.src = `data:image/svg+xml;base64,${text}`;
          await image.decode();
          const context = new OffscreenCanvas(width * 4, height * 4).getContext('2d', { willReadFrequently: true });
          context.drawImage(image, 0, 0, width * 4, height * 4);
          return context.getImageData(0, 0, width * 4, height * 4).data;
        };
        const [a, b] = [await draw(raw), await draw(short)];
        let ink = 0, far = 0;
        for (let i = 0; i < a.length; i += 4) {
          if (a[i + 3] || b[i + 3]) {
            ink++;
            const worst = Math.max(...[0, 1, 2].map(c => Math.abs(a[i + c] * a[i + 3] - b[i + c] * b[i + 3]) / 255), Math.abs(a[i + 3] - b[i + 3]));
            far += worst > tolerance ? 1 : 0;
          }
        }
        return ink ? far / ink : 0;
      }, [raw.toString('base64'), short.toString('base64'), width, height, tolerance]);
      // A browser sets letters on places of its own; files that ship hold outlines.
      if (share >= (short.includes('<text') ? mostOfText : most)) {
        wrong.push(`${name} (${ordinal}): ${(share * 100).toFixed(1)} %`);
      }
    }
    assert.deepEqual(wrong, []);
    assert.ok(layers.length > 20 && lighter === layers.length, `${lighter} of ${layers.length} are shorter`);
  });
}
