// Every format that is made, opened by decoders that are not ours: Chromium, poppler and exiftool.
import assert from 'node:assert/strict';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { basename, join } from 'node:path';
import { after, before, test } from 'node:test';
import { unzipSync } from 'fflate';
import { launch, newPage } from './browser.mjs';
import { serve } from './server.mjs';
import { toSvg } from './vector-drawable.mjs';

let server, browser, page, files;
const folder = mkdtempSync(join(tmpdir(), 'kalypto-formats-'));

// Pictures to embed, made by the browser: cells of colour as PNG, a dusk as JPEG, a meadow in Display P3.
const embedded = () => page.evaluate(() => ['image/png', 'image/jpeg', 'wide'].map(type => {
  const canvas = Object.assign(document.createElement('canvas'), { width: 40, height: 30 });
  if (type === 'wide') {
    // Greens that sRGB does not have, in a JPEG that says so.
    const green = canvas.getContext('2d', { colorSpace: 'display-p3' });
    green.fillStyle = 'color(display-p3 0 1 0)';
    green.fillRect(0, 0, 40, 30);
    return canvas.toDataURL('image/jpeg', 1);
  }
  const context = canvas.getContext('2d');
  for (let i = 0; i < 12; i++) {
    context.fillStyle = `hsl(${i * 30} 60% ${type === 'image/png' ? 40 : 30 + i * 4}%)`;
    context.fillRect((i % 4) * 10, Math.floor(i / 4) * 10, 10, 10);
  }
  return canvas.toDataURL(type, 0.9);
}));

// Layers say themselves what they are made as; soft and hard edges, gradients, clips, strokes, a turned group, text.
const drawing = (png, jpeg, wide) => `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 400 300">
  <defs>
    <linearGradient id="dusk" x2="0" y2="1"><stop stop-color="#173a45"/><stop offset=".6" stop-color="#a8690f"/><stop offset="1" stop-color="#f3d9a0"/></linearGradient>
    <radialGradient id="glow"><stop stop-color="#fff"/><stop offset="1" stop-color="#fff" stop-opacity="0"/></radialGradient>
    <linearGradient id="lean" gradientUnits="userSpaceOnUse" x1="0" y1="0" x2="20" y2="4" gradientTransform="rotate(20)"><stop stop-color="#b8402a"/><stop offset="1" stop-color="#2c6e54"/></linearGradient>
    <clipPath id="window"><circle cx="12" cy="12" r="10"/></clipPath>
  </defs>
  <g id="dome-at-dusk [photo png png8 jpeg:90 webp:90 avif:80 gif scale:2x over:#ffffff credit]">
    <rect width="120" height="90" fill="url(#dusk)"/><path d="M20 90a40 40 0 0 1 80 0z" fill="#dfe6ea"/><path d="M55 50h10v40H55z" fill="#173a45"/><circle cx="95" cy="20" r="14" fill="url(#glow)"/>
  </g>
  <g id="halo [picture png webp:lossless avif:80 png8 scale:2x]" transform="translate(140 10)"><circle cx="30" cy="30" r="28" fill="url(#glow)"/><circle cx="30" cy="30" r="9" fill="#f3d9a0"/></g>
  <g id="poppy [photo p3 png jpeg:95 webp:lossless avif:90 gif scale:2x crop:shape]" transform="translate(20 200)"><rect width="60" height="40" style="fill:color(display-p3 1 0.1 0)"/><image x="30" width="30" height="40" preserveAspectRatio="none" href="${wide}"/></g>
  <mask id="veil-mask"><rect width="80" height="60" fill="url(#veil-fade)"/></mask><linearGradient id="veil-fade"><stop stop-color="#fff"/><stop offset="1" stop-color="#000"/></linearGradient>
  <linearGradient id="waves" x2=".3" spreadMethod="repeat"><stop stop-color="#173a45"/><stop offset="1" stop-color="#f3d9a0"/></linearGradient>
  <g id="veil [logo -svg pdf png scale:4x crop:shape]" transform="translate(100 230)"><rect width="80" height="40" fill="#b8402a" mask="url(#veil-mask)"/><rect y="42" width="80" height="10" fill="url(#waves)"/><path d="M2 55h70M2 57l70 2" stroke="#173a45" stroke-width=".3"/><rect width="6" height="6" y="50" style="clip-path:circle(3px at 3px 3px)"/></g>
  <g id="bell [icon png svg pdf vector ico scale:4x crop:shape credit]" transform="translate(230 20)">
    <path d="M12 3c-4 0-6 3-6 7v4l-2 3h16l-2-3v-4c0-4-2-7-6-7z" fill="url(#lean)"/><g transform="rotate(10 12 12) scale(.8)"><path d="M10 20a2 2 0 0 0 5 0" fill="none" stroke="#123" stroke-width="1.5" stroke-linecap="round"/></g>
    <g clip-path="url(#window)"><rect x="1" y="1" width="9" height="9" rx="2" fill="#2c6e54" fill-opacity=".6"/></g><ellipse cx="18" cy="6" rx="3" ry="2" fill="none" stroke="#b8402a"/><polygon points="2,22 6,18 9,22"/>
  </g>
  <text id="words [logo -svg svg:outlines png pdf vector scale:4x crop:ink]" x="20" y="160" font-family="DejaVu Sans" font-size="22" font-weight="700" fill="#173a45">Larkrise 3°</text>
  <g id="card [logo -svg svg:linked png scale:4x crop:shape]" transform="translate(280 200)"><rect width="96" height="64" rx="6" fill="#f3d9a0"/><image x="8" y="8" width="40" height="30" href="${png}"/><image x="52" y="8" width="36" height="27" href="${jpeg}"/><image x="8" y="42" width="20" height="15" href="${png}"/></g>
</svg>`;

before(async () => {
  server = await serve({ demo: false });
  browser = await launch('--font-render-hinting=none', '--enable-font-subpixel-positioning');
  page = await newPage(browser);
  await page.goto(server.address);
  const pictures = await embedded();
  await page.setInputFiles('.foot input[type=file]', { name: 'formats.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(drawing(...pictures)) });
  await page.waitForURL(/projects\/1$/);
  files = await page.evaluate(async () => {
    const post = async (end, body) => { const a = await kalypto.post(`/api/projects/1/${end}`, body); if (a.failed) { throw new Error(`${end}: ${a.message}`); } return a; };
    for (const platform of ['web', 'apple']) {
      await post('platforms', { platform, on: false });
    }
    await post('platforms', { platform: 'folders', on: true });
    await post('recipes', { do: 'credit', copyright: '© 2026 Sternwarte Lärchenhöh', author: 'Ann Ödegård', contact: 'https://larkrise.example/credit' });
    const bench = await kalypto.get('/api/projects/1/bench/1/0');
    const layers = bench.rows.filter(r => r.drawnTags).map(r => r.ordinal);
    await post('edit', { design: 1, screen: 0, layers, decision: 'Ship' });
    return (await post('builds', {})).build;
  });
  await page.goto(`${server.address}/projects/1/deliveries`);
  await page.waitForFunction(() => (document.querySelector('.build')?.dataset.state ?? 'running') !== 'running', null, { timeout: 3_600_000 });
  assert.equal(await page.locator('.build').getAttribute('data-state'), 'done', await page.locator('.build').innerText());
  const zip = await (await page.request.get(`${server.address}/projects/1/builds/${files}.zip`)).body();
  files = unzipSync(zip);
  for (const [path, bytes] of Object.entries(files)) {
    writeFileSync(join(folder, basename(path)), bytes);
  }
}, { timeout: 3_600_000 });
after(async () => {
  await browser?.close();
  await server?.stop();
});

const types = { png: 'image/png', jpg: 'image/jpeg', webp: 'image/webp', avif: 'image/avif', gif: 'image/gif', svg: 'image/svg+xml', ico: 'image/x-icon' };
const source = (bytes, ending) => `data:${types[ending]};base64,${Buffer.from(bytes).toString('base64')}`;

// Pixels as Chromium decodes them; drawings of shapes several times as large and averaged down, for it rounds the coverage of edges.
const pixels = (url, width, height, closer = 1) => page.evaluate(async ([url, width, height, closer]) => {
  const image = new Image();
  image.src = url;
  await image.decode();
  const canvas = new OffscreenCanvas((width ?? image.naturalWidth) * closer, (height ?? image.naturalHeight) * closer);
  const context = canvas.getContext('2d');
  context.drawImage(image, 0, 0, canvas.width, canvas.height);
  const { data } = context.getImageData(0, 0, canvas.width, canvas.height);
  const w = canvas.width / closer, h = canvas.height / closer;
  const out = new Uint8ClampedArray(w * h * 4);
  for (let y = 0; y < h; y++) {
    for (let x = 0; x < w; x++) {
      const sum = [0, 0, 0, 0];
      for (let v = 0; v < closer; v++) {
        for (let u = 0; u < closer; u++) {
          const i = ((y * closer + v) * canvas.width + x * closer + u) * 4;
          for (let c = 0; c < 3; c++) {
            sum[c] += data[i + c] * data[i + 3];
          }
          sum[3] += data[i + 3];
        }
      }
      const o = (y * w + x) * 4;
      for (let c = 0; c < 3; c++) {
        out[o + c] = sum[3] ? sum[c] / sum[3] : 0;
      }
      out[o + 3] = sum[3] / (closer * closer);
    }
  }
  let text = '';
  for (let i = 0; i < out.length; i += 8192) {
    text += String.fromCharCode(...out.subarray(i, i + 8192));
  }
  return { width: w, height: h, data: btoa(text) };
}, [url, width, height, closer]).then(p => ({ ...p, data: Buffer.from(p.data, 'base64') }));

// The share of ink pixels that differ by more than the tolerance, and the mean difference, on the premultiplied colours.
function difference(a, b, tolerance = 16) {
  assert.deepEqual([a.width, a.height], [b.width, b.height]);
  let ink = 0, far = 0, sum = 0;
  for (let i = 0; i < a.data.length; i += 4) {
    if (!a.data[i + 3] && !b.data[i + 3]) {
      continue;
    }
    ink++;
    const worst = Math.max(...[0, 1, 2].map(c => Math.abs(a.data[i + c] * a.data[i + 3] - b.data[i + c] * b.data[i + 3]) / 255), Math.abs(a.data[i + 3] - b.data[i + 3]));
    sum += worst;
    far += worst > tolerance ? 1 : 0;
  }
  return { share: ink ? far / ink : 0, mean: ink ? sum / ink : 0 };
}
const find = name => files[Object.keys(files).find(p => p.endsWith(`/${name}`)) ?? assert.fail(`${name} is not in the pack: ${Object.keys(files).join(' ')}`)];

test('colours beyond sRGB are kept by the formats that hold them, and are the nearest in others', async () => {
  for (const [name, wide] of [['poppy@2x.png', true], ['poppy@2x.jpg', true], ['poppy@2x.webp', true], ['poppy@2x.avif', true], ['poppy@2x.gif', false]]) {
    const seen = await page.evaluate(async url => {
      const image = new Image();
      image.src = url;
      await image.decode();
      const context = new OffscreenCanvas(120, 80).getContext('2d', { colorSpace: 'display-p3' });
      context.drawImage(image, 0, 0, 120, 80);
      return [30, 90].map(x => [...context.getImageData(x, 40, 1, 1).data].slice(0, 3));
    }, source(find(name), name.split('.').at(-1)));
    for (const [there, colour] of [[seen[0], [255, 26, 0]], [seen[1], [0, 255, 0]]]) {
      const off = Math.max(...there.map((c, i) => Math.abs(c - colour[i])));
      assert.ok(wide ? off <= 8 : off > 20, `${name}: ${there} for ${colour}`);
    }
  }
});

test('every format of pixels opens in a decoder that is not ours, with the size, colours and alpha of the PNG', async () => {
  for (const [name, endings] of [['dome-at-dusk@2x', { 'jpg': 3, 'webp': 3, 'avif': 3, 'gif': 8, '8bit.png': 3 }], ['halo@2x', { 'webp': 0.05, 'avif': 3, '8bit.png': 4 }]]) {
    const png = await pixels(source(find(`${name}.png`), 'png'));
    assert.deepEqual([png.width, png.height], name.startsWith('dome') ? [240, 180] : [112, 112]);
    for (const [ending, most] of Object.entries(endings)) {
      const file = ending === '8bit.png' ? `${name}-8bit.png` : `${name}.${ending}`;
      // This Chromium takes the alpha of AVIF for narrow range whatever the file says; libavif reads it as it is marked.
      const other = file === 'halo@2x.avif' ? execFileSync('avifdec', [join(folder, file), join(folder, 'halo-avif.png')]) && readFileSync(join(folder, 'halo-avif.png')) : find(file);
      const { mean } = difference(png, await pixels(source(other, file === 'halo@2x.avif' ? 'png' : ending.split('.').pop())));
      assert.ok(mean <= most, `${file} is off by ${mean} on average`);
    }
  }
  const icon = await pixels(source(find('bell.ico'), 'ico'));
  assert.ok([16, 20, 24, 32, 40, 48, 64, 256].includes(icon.width));
  assert.equal(find('bell.ico')[4], 8);
});

test('drawings of shapes show the picture of the PNG at 4x: SVG in Chromium, PDF in poppler, vector drawables drawn back', async () => {
  for (const name of ['bell', 'words']) {
    const png = await pixels(source(find(`${name}@4x.png`), 'png'));
    const svg = difference(png, await pixels(source(find(`${name}.svg`), 'svg'), png.width, png.height, 8));
    assert.ok(svg.share < 0.01, `${name}.svg differs in ${svg.share} of its ink`);
    assert.equal(Buffer.from(find(`${name}.svg`)).includes('<text'), false);
    execFileSync('pdftocairo', ['-png', '-transp', '-r', '288', '-singlefile', join(folder, `${name}.pdf`), join(folder, `${name}-pdf`)]);
    const pdf = difference(png, await pixels(source(readFileSync(join(folder, `${name}-pdf.png`)), 'png')));
    // poppler sets text by its own hinting.
    assert.ok(name === 'words' ? pdf.mean < 8 && pdf.share < 0.12 : pdf.mean < 2 && pdf.share < 0.03, `${name}.pdf is off by ${pdf.mean}, in ${pdf.share} of its ink`);
    const vector = await page.evaluate(text => {
      const of = e => ({ name: e.nodeName, attributes: Object.fromEntries([...e.attributes].map(a => [a.name, a.value])), children: [...e.children].map(of) });
      return of(new DOMParser().parseFromString(text, 'application/xml').documentElement);
    }, Buffer.from(find(`${name}.xml`)).toString());
    const back = difference(png, await pixels(source(toSvg(vector), 'svg'), png.width, png.height, 8));
    assert.ok(back.share < 0.01, `${name}.xml differs in ${back.share} of its ink`);
  }
  // What a browser printed, by the other way of poppler to draw, which knows masks that a function bends.
  execFileSync('pdftoppm', ['-png', '-r', '288', '-singlefile', join(folder, 'veil.pdf'), join(folder, 'veil-pdf')]);
  const onWhite = p => ({ ...p, data: p.data.map((v, i) => (i % 4 === 3 ? 255 : Math.round((v * p.data[i - i % 4 + 3] + 255 * (255 - p.data[i - i % 4 + 3])) / 255))) });
  const veil = difference(onWhite(await pixels(source(find('veil@4x.png'), 'png'))), onWhite(await pixels(source(readFileSync(join(folder, 'veil-pdf.png')), 'png'))));
  assert.ok(veil.mean < 3 && veil.share < 0.04, `veil.pdf is off by ${veil.mean}, in ${veil.share} of its ink`);
  const info = execFileSync('pdfinfo', [join(folder, 'bell.pdf')]).toString();
  assert.match(info, /Pages: +1\n/);
  assert.doesNotMatch(info, /CreationDate/);
  assert.ok(execFileSync('pdffonts', [join(folder, 'words.pdf')]).toString().split('\n').slice(2).filter(Boolean).every(l => /yes +\w+ +\w+ +\d+ +\d+$/.test(l)), 'fonts are embedded');
  assert.equal(execFileSync('pdfimages', ['-list', join(folder, 'bell.pdf')]).toString().trim().split('\n').length, 2, 'vectors stay vectors');
});

test('an SVG with its pictures beside it shows them when it is opened, and they are those of the drawing', async () => {
  const png = await pixels(source(find('card@4x.png'), 'png'));
  assert.deepEqual(Object.keys(files).filter(p => /card-\d/.test(p)), ['folders/card-1.png', 'folders/card-2.jpg']);
  assert.doesNotMatch(Buffer.from(find('card.svg')).toString(), /data:/);
  const [width, height] = [png.width / 4, png.height / 4];
  const opened = await newPage(browser, { viewport: { width, height }, deviceScaleFactor: 4 });
  await opened.goto(`file://${join(folder, 'card.svg')}`);
  const shown = await pixels(source(await opened.screenshot({ omitBackground: true }), 'png'));
  await opened.close();
  const { share } = difference(png, shown);
  assert.ok(share < 0.01, `card.svg differs in ${share} of its ink`);
  // Without them it would not be the same picture.
  assert.ok(difference(png, await pixels(source(find('card.svg'), 'svg'), png.width, png.height)).share > 0.2);
});

test('credits are read back by exiftool from every format that carries them, and nothing else is', async () => {
  for (const name of ['dome-at-dusk@2x.png', 'dome-at-dusk@2x-8bit.png', 'dome-at-dusk@2x.jpg', 'dome-at-dusk@2x.webp', 'dome-at-dusk@2x.avif', 'dome-at-dusk@2x.gif', 'bell@4x.png', 'bell.svg']) {
    const [said] = JSON.parse(execFileSync('exiftool', ['-json', '-XMP:Rights', '-XMP:Creator', '-XMP:WebStatement', '-XMP:Source', join(folder, name)]).toString());
    assert.deepEqual([said.Rights, said.Creator, said.WebStatement ?? said.Source], ['© 2026 Sternwarte Lärchenhöh', 'Ann Ödegård', 'https://larkrise.example/credit'], name);
  }
  const [exif] = JSON.parse(execFileSync('exiftool', ['-json', '-EXIF:Copyright', join(folder, 'dome-at-dusk@2x.jpg')]).toString());
  assert.equal(exif.Copyright, '(c) 2026 Sternwarte Larchenhoh');
  const [text] = JSON.parse(execFileSync('exiftool', ['-json', '-PNG:Copyright', '-PNG:Author', join(folder, 'bell@4x.png')]).toString());
  assert.deepEqual([text.Copyright, text.Author], ['© 2026 Sternwarte Lärchenhöh', 'Ann Ödegård']);
  const [pdf] = JSON.parse(execFileSync('exiftool', ['-json', '-PDF:Author', join(folder, 'bell.pdf')]).toString());
  assert.equal(pdf.Author, 'Ann Ödegård');
  const [none] = JSON.parse(execFileSync('exiftool', ['-json', '-XMP:all', '-EXIF:all', join(folder, 'halo@2x.webp')]).toString());
  assert.deepEqual(Object.keys(none), ['SourceFile']);
});
