// Measures of a page that was written: how it looks beside the drawing, how its words stand, and what it does at other widths.
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { HtmlValidate } from 'html-validate';
import { AxeBuilder } from '@axe-core/playwright';
import { PNG } from 'pngjs';
import stylelint from 'stylelint';

export const widths = [320, 390, 768, 1024, 1440, 1920];
const tolerance = 16;
const validator = new HtmlValidate({ extends: ['html-validate:recommended'], rules: { 'void-style': ['error', { style: 'omit' }] } });

/** What the validator, the linter and axe say. Contrast is the designer's. */
export async function complaints(folder, page) {
  const html = await validator.validateFile(join(folder, 'index.html'));
  const css = await stylelint.lint({ code: readFileSync(join(folder, 'styles.css'), 'utf8'), configBasedir: import.meta.dirname, config: { extends: ['stylelint-config-standard'] } });
  await page.goto(pathToFileURL(join(folder, 'index.html')).href);
  const found = [];
  for (const width of [390, 1440]) {
    await page.setViewportSize({ width, height: 900 });
    const { violations } = await new AxeBuilder({ page }).disableRules(['color-contrast']).withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice']).analyze();
    found.push(...violations.map(v => `axe at ${width}: ${v.id}: ${v.nodes.map(n => n.target).join(' ')}`));
  }
  return [
    ...html.results.flatMap(r => r.messages.map(m => `html ${m.line}: ${m.ruleId}: ${m.message}`)),
    ...css.results.flatMap(r => r.warnings.map(w => `css ${w.line}: ${w.text}`)),
    ...found,
  ];
}

/** The widths at which the page scrolls sideways, and where its words are read in another order than they stand. */
export async function flow(folder, page) {
  await page.goto(pathToFileURL(join(folder, 'index.html')).href);
  const wrong = [];
  for (const width of widths) {
    await page.setViewportSize({ width, height: 900 });
    const { over, by, disorder } = await page.evaluate(() => {
      const wide = document.documentElement.scrollWidth;
      const out = [...document.body.querySelectorAll('*')].filter(e => e.getBoundingClientRect().right > innerWidth + 0.5).map(e => `${e.localName}.${e.className}`);
      // Of two texts that share no line the one that is read first stands above, or before in its column.
      const texts = [...document.body.querySelectorAll('*')].filter(e => [...e.childNodes].some(n => n.nodeType === 3 && n.data.trim())).map(e => ({ e, r: e.getBoundingClientRect() })).filter(t => t.r.width && t.r.height);
      const disorder = texts.slice(1).flatMap((t, i) => {
        const before = texts[i];
        return t.r.bottom <= before.r.top + 1 && t.r.left < before.r.right - 1 && t.r.right > before.r.left + 1 ? [`“${before.e.textContent.trim().slice(0, 20)}” is read before “${t.e.textContent.trim().slice(0, 20)}”`] : [];
      });
      return { over: wide > innerWidth, by: out.slice(0, 3), disorder };
    });
    if (over) {
      wrong.push(`scrolls sideways at ${width}: ${by.join(' ')}`);
    }
    wrong.push(...disorder.map(d => `at ${width} ${d}`));
  }
  return wrong;
}

/** The page beside the drawing at its own width: the share of pixels off outside words, and lines that do not stand where they were drawn. */
export async function likeness(folder, drawing, screen, page) {
  const [width, height] = [Math.round(screen.width), Math.round(screen.height)];
  await page.setViewportSize({ width, height });
  const fonts = screen.fonts.map(f => `@font-face{font-family:"${f.family}";font-weight:${f.weight};font-style:${f.isItalic ? 'italic' : 'normal'};src:url("data:font/ttf;base64,${readFileSync(join(folder, decodeURIComponent(f.address))).toString('base64')}")}`).join('');
  const source = readFileSync(drawing, 'utf8').replace(/<\?xml[^>]*\?>/, '');
  await page.setContent(`<style>${fonts} body{margin:0;width:${width}px;height:${height}px;overflow:hidden} body>svg{position:absolute;left:${-screen.x}px;top:${-screen.y}px;overflow:visible}</style>${source}`);
  await page.evaluate(async ({ wide, high }) => {
    const svg = document.querySelector('svg');
    const box = svg.viewBox.baseVal;
    svg.setAttribute('width', box?.width || wide);
    svg.setAttribute('height', box?.height || high);
    await document.fonts.ready;
    await Promise.all([...document.querySelectorAll('image')].map(i => i.decode?.().catch(() => {})));
  }, { wide: width, high: height });
  const drawnLines = await page.evaluate(readDrawnLines);
  const drawn = PNG.sync.read(await page.screenshot({ clip: { x: 0, y: 0, width, height } }));
  await page.goto(pathToFileURL(join(folder, 'marked.html')).href);
  await page.evaluate(() => document.fonts.ready);
  const shot = PNG.sync.read(await page.screenshot({ clip: { x: 0, y: 0, width, height } }));
  const lines = await page.evaluate(readLines);
  const isWords = new Uint8Array(width * height);
  for (const line of screen.lines) {
    const left = line.x - (line.anchor === 'middle' ? line.width / 2 : line.anchor === 'end' ? line.width : 0);
    for (let y = Math.max(0, Math.floor(line.baseline - 70)); y < Math.min(height, line.baseline + 24); y++) {
      if (y < line.baseline - line.size * 1.1 || y > line.baseline + line.size * 0.4) {
        continue;
      }
      isWords.fill(1, y * width + Math.max(0, Math.floor(left - 3)), y * width + Math.min(width, Math.ceil(left + line.width + 3)));
    }
  }
  let off = 0;
  const marked = new PNG({ width, height });
  for (let i = 0; i < width * height; i++) {
    const far = [0, 1, 2].some(c => Math.abs(drawn.data[4 * i + c] - shot.data[4 * i + c]) > tolerance);
    marked.data.set(far ? isWords[i] ? [255, 200, 0, 255] : [255, 0, 0, 255] : [...shot.data.subarray(4 * i, 4 * i + 3), 70], 4 * i);
    off += far && !isWords[i] ? 1 : 0;
  }
  const wrong = [];
  for (const layer of new Set(screen.lines.map(l => l.layer))) {
    const wanted = screen.lines.filter(l => l.layer === layer);
    const stand = lines[layer];
    if (!stand) {
      wrong.push(`“${wanted[0].words}” is not there`);
      continue;
    }
    if (stand.length !== wanted.length) {
      wrong.push(`“${wanted[0].words}” has ${stand.length} lines instead of ${wanted.length}`);
      continue;
    }
    wanted.forEach((line, i) => {
      const left = line.x - (line.anchor === 'middle' ? line.width / 2 : line.anchor === 'end' ? line.width : 0);
      // As long as the browser shows it in the drawing; our measure serves where it is not found there.
      const same = drawnLines.find(d => d.words === line.words.trim() && Math.abs(d.left - left) < 4 && d.top < line.baseline && d.bottom > line.baseline - 2);
      const [x, y, w] = [stand[i].left - (same?.left ?? left), stand[i].baseline - line.baseline, stand[i].width - (same?.width ?? line.width)];
      if (Math.abs(y) > 1 || Math.abs(x) > 1 + line.width / 100 || Math.abs(w) > Math.max(0.6, line.width / 100)) {
        wrong.push(`“${line.words.slice(0, 30)}” is ${x.toFixed(1)} right, ${y.toFixed(1)} down, ${w.toFixed(1)} wider`);
      }
    });
  }
  return { off: off / (width * height), wrong, shot: PNG.sync.write(shot), drawn: PNG.sync.write(drawn), marked: PNG.sync.write(marked) };
}

// Runs in the drawing: the words of each text and part of it, and how long they are.
function readDrawnLines() {
  return [...document.querySelectorAll('svg text, svg tspan')].filter(e => e.localName === 'tspan' || !e.querySelector('tspan')).map(e => {
    const range = document.createRange();
    range.selectNodeContents(e);
    const r = range.getBoundingClientRect();
    return { words: e.textContent.trim().replace(/\s+/g, ' '), left: r.left, top: r.top, bottom: r.bottom, width: r.width };
  });
}

// Runs in the page: the lines of the words of each layer, as they stand.
function readLines() {
  const canvas = document.createElement('canvas').getContext('2d');
  const all = {};
  for (const element of document.querySelectorAll('[data-layer]')) {
    const texts = [];
    const walk = document.createTreeWalker(element, NodeFilter.SHOW_TEXT, { acceptNode: n => n.parentElement.closest('[data-layer]') === element ? NodeFilter.FILTER_ACCEPT : NodeFilter.FILTER_SKIP });
    while (walk.nextNode()) {
      texts.push(walk.currentNode);
    }
    const lines = [];
    for (const text of texts) {
      for (const { index, 0: word } of text.data.matchAll(/\S+/g)) {
        const range = document.createRange();
        range.setStart(text, index);
        range.setEnd(text, index + word.length);
        const style = getComputedStyle(text.parentElement);
        canvas.font = `${style.fontStyle} ${style.fontWeight} ${style.fontSize} ${style.fontFamily}`;
        const ascent = canvas.measureText('x').fontBoundingBoxAscent;
        for (const r of range.getClientRects()) {
          const [top, baseline] = [r.top + scrollY, r.top + scrollY + ascent];
          const line = lines.find(l => Math.abs(l.baseline - baseline) < 3);
          if (line) {
            line.left = Math.min(line.left, r.left);
            line.right = Math.max(line.right, r.right);
          } else {
            lines.push({ left: r.left, right: r.right, top, baseline });
          }
        }
      }
    }
    if (lines.length) {
      all[element.dataset.layer.split(' ')[0]] = lines.map(l => ({ ...l, width: l.right - l.left }));
    }
  }
  return all;
}
