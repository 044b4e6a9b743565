// Says at every element what the browser made of style sheets, units, selectors and transforms, so that the document shows the
// same without them. What is hidden goes, but for what something else refers to. Gives the document; '' for one that
// holds what SVG has no words for.
(() => {
  const svg = 'http://www.w3.org/2000/svg';
  const definitions = 'defs, clipPath, mask, pattern, marker, symbol, linearGradient, radialGradient, filter';
  const handedDown = {
    'fill': 'rgb(0, 0, 0)', 'fill-opacity': '1', 'fill-rule': 'nonzero', 'stroke': 'none', 'stroke-width': '1px', 'stroke-opacity': '1', 'stroke-linecap': 'butt',
    'stroke-linejoin': 'miter', 'stroke-miterlimit': '4', 'stroke-dasharray': 'none', 'stroke-dashoffset': '0px', 'clip-rule': 'nonzero', 'color': 'rgb(0, 0, 0)',
    'color-interpolation': 'srgb', 'color-interpolation-filters': 'linearrgb', 'paint-order': 'normal', 'visibility': 'visible', 'shape-rendering': 'auto', 'image-rendering': 'auto',
    'marker-start': 'none', 'marker-mid': 'none', 'marker-end': 'none',
  };
  const ofText = {
    'font-family': '', 'font-size': '', 'font-style': 'normal', 'font-weight': '400', 'font-stretch': '100%', 'font-variant-caps': 'normal', 'font-variant-numeric': 'normal',
    'font-variant-ligatures': 'normal', 'font-variant-position': 'normal', 'font-feature-settings': 'normal', 'font-variation-settings': 'normal', 'font-kerning': 'auto', 'letter-spacing': 'normal',
    'word-spacing': '0px', 'text-anchor': 'start', 'direction': 'ltr', 'writing-mode': 'horizontal-tb', 'text-orientation': 'mixed', 'white-space': 'normal',
    'text-transform': 'none', 'text-shadow': 'none', 'text-rendering': 'auto', 'dominant-baseline': 'auto',
  };
  const own = {
    'opacity': '1', 'stop-color': 'rgb(0, 0, 0)', 'stop-opacity': '1', 'flood-color': 'rgb(0, 0, 0)', 'flood-opacity': '1', 'lighting-color': 'rgb(255, 255, 255)', 'clip-path': 'none',
    'mask': 'none', 'filter': 'none', 'mix-blend-mode': 'normal', 'isolation': 'auto', 'vector-effect': 'none', 'mask-type': 'luminance', 'alignment-baseline': 'auto', 'baseline-shift': '0px',
    'text-decoration-line': 'none',
  };
  const lines = ['text-decoration-style', 'text-decoration-color', 'text-decoration-thickness', 'text-underline-offset', 'text-decoration-skip-ink'];
  const colours = ['fill', 'stroke', 'color', 'stop-color', 'flood-color', 'lighting-color', 'text-decoration-color'];
  // Attributes of SVG 1.1; all else is said as style.
  const attributes = new Set([...Object.keys(handedDown), 'opacity', 'stop-color', 'stop-opacity', 'flood-color', 'flood-opacity', 'lighting-color', 'vector-effect', 'mask-type',
    'font-family', 'font-size', 'font-style', 'font-weight', 'letter-spacing', 'word-spacing', 'text-anchor', 'direction', 'dominant-baseline', 'alignment-baseline', 'baseline-shift', 'text-rendering']);
  const geometry = {
    svg: ['x', 'y', 'width', 'height'], rect: ['x', 'y', 'width', 'height', 'rx', 'ry'], image: ['x', 'y', 'width', 'height'], use: ['x', 'y'], circle: ['cx', 'cy', 'r'], ellipse: ['cx', 'cy', 'rx', 'ry'],
  };

  // ---- colours: those outside sRGB as the canvas shows them there
  const canvas = document.createElementNS('http://www.w3.org/1999/xhtml', 'canvas');
  canvas.width = canvas.height = 1;
  const pen = canvas.getContext('2d', { willReadFrequently: true });
  const isWide = colour => /^(color|lab|lch|oklab|oklch)\(/.test(colour);
  const plain = colour => {
    if (!isWide(colour)) {
      return colour;
    }
    pen.clearRect(0, 0, 1, 1);
    pen.fillStyle = colour;
    pen.fillRect(0, 0, 1, 1);
    const [r, g, b, a] = pen.getImageData(0, 0, 1, 1).data;
    return a === 255 ? `rgb(${r}, ${g}, ${b})` : `rgba(${r}, ${g}, ${b}, ${(a / 255).toFixed(3)})`;
  };

  // ---- repeats that say values of their own are what they repeat, once more
  const root = document.documentElement;
  const asked = new Set([...new XMLSerializer().serializeToString(root).matchAll(/var\(\s*(--[\w-]+)/g)].map(m => m[1]));
  const placed = ['href', 'xlink:href', 'x', 'y', 'width', 'height', 'transform'];
  for (const use of asked.size ? [...root.querySelectorAll('use')].slice(0, 500) : []) {
    const shown = document.getElementById((use.getAttribute('href') ?? use.getAttribute('xlink:href') ?? '').slice(1));
    const valuesAt = e => [...asked].map(n => getComputedStyle(e).getPropertyValue(n)).join(';');
    if (!shown || shown.contains(use) || valuesAt(use) === valuesAt(shown.parentElement)) {
      continue;
    }
    const [group, copy] = [document.createElementNS(svg, 'g'), shown.localName === 'symbol' ? document.createElementNS(svg, 'svg') : shown.cloneNode(true)];
    [...use.attributes].filter(a => !placed.includes(a.name)).forEach(a => group.setAttribute(a.name, a.value));
    group.setAttribute('transform', `${use.getAttribute('transform') ?? ''} translate(${use.x.baseVal.value} ${use.y.baseVal.value})`);
    if (shown.localName === 'symbol') {
      [...shown.attributes].filter(a => a.name !== 'id').forEach(a => copy.setAttribute(a.name, a.value));
      copy.append(...[...shown.childNodes].map(c => c.cloneNode(true)));
    }
    if (shown.matches('symbol, svg')) {
      ['width', 'height'].filter(n => use.hasAttribute(n)).forEach(n => copy.setAttribute(n, use.getAttribute(n)));
    }
    [copy, ...copy.querySelectorAll('[id]')].forEach(e => e.removeAttribute('id'));
    group.append(copy);
    use.replaceWith(group);
  }

  // ---- what is there
  const all = [...root.querySelectorAll('*')].filter(e => e.namespaceURI === svg && !e.closest('foreignObject'));
  const sheets = [...root.querySelectorAll('style')].map(s => s.textContent).join('\n');
  const saysPaths = /(^|[;{\s"'])d\s*:/.test(sheets) || all.some(e => /(^|;)\s*d\s*:/.test(e.getAttribute('style') ?? ''));
  const referred = new Set();
  const refer = text => { for (const [, id] of text.matchAll(/url\(\s*["']?#([^"')]+)["']?\s*\)/g)) { referred.add(id); } };
  all.forEach(e => {
    for (const { name, value } of e.attributes) {
      refer(value);
      if ((name === 'href' || name === 'xlink:href') && value.startsWith('#')) {
        referred.add(value.slice(1));
      }
    }
  });
  refer(sheets);
  const isGone = e => e.hasAttribute('data-counted') || getComputedStyle(e).display === 'none' && !e.matches(definitions) && !e.closest(definitions);
  if ([...root.querySelectorAll('foreignObject')].some(e => { for (let a = e; a && a !== root; a = a.parentElement) { if (getComputedStyle(a).display === 'none') { return false; } } return true; })) {
    return '';
  }

  // ---- what holds, worked out before anything is changed
  const numbers = matrix => [matrix.a, matrix.b, matrix.c, matrix.d, matrix.e, matrix.f];
  const alike = (a, b) => a.every((n, i) => Math.abs(n - b[i]) < 1e-4 * Math.max(1, Math.abs(n)));
  const said = e => {
    const probe = document.createElementNS(svg, 'g');
    probe.setAttribute('transform', e.getAttribute('transform') ?? '');
    const consolidated = probe.transform.baseVal.consolidate();
    return numbers(consolidated ? consolidated.matrix : new DOMMatrix());
  };
  const moved = (e, style) => {
    if (!(e instanceof SVGGraphicsElement) || e.localName === 'svg') {
      return null;
    }
    let holds;
    if (e.closest(definitions)) {
      // What is defined is on no screen, so that it is worked out here.
      const steps = [...['translate', 'rotate', 'scale'].map(name => style[name] === 'none' ? '' : `${name}(${style[name].replaceAll(' ', ',')})`), style.transform === 'none' ? '' : style.transform].filter(s => s);
      if (steps.length) {
        const [across, down] = style.transformOrigin.split(' ').map(parseFloat);
        const box = style.transformBox === 'view-box' ? { x: 0, y: 0 } : e.getBBox();
        holds = numbers(new DOMMatrix().translate(box.x + across, box.y + down).multiply(new DOMMatrix(steps.join(' '))).translate(-box.x - across, -box.y - down));
      }
    } else {
      const [inner, outer] = [e.getScreenCTM(), e.parentElement.getScreenCTM()];
      const local = inner && outer && DOMMatrix.fromMatrix(outer).inverse().multiply(DOMMatrix.fromMatrix(inner));
      if (!local || numbers(local).some(n => !Number.isFinite(n))) {
        return null;
      }
      const at = e.localName === 'use' ? local.translate(-(parseFloat(style.x) || 0), -(parseFloat(style.y) || 0)) : local;
      holds = alike(said(e), numbers(local)) ? null : numbers(at);
    }
    return holds && !alike(said(e), holds) ? `matrix(${holds.map(n => +n.toFixed(6)).join(' ')})` : null;
  };
  const length = (e, name, value) => {
    if (!value.endsWith('%')) {
      return parseFloat(value);
    }
    const around = e.viewportElement ?? root;
    const box = around.viewBox?.baseVal?.width ? around.viewBox.baseVal : { width: around.width.baseVal.value, height: around.height.baseVal.value };
    const whole = /^(x|cx|rx|width)$/.test(name) ? box.width : /^(y|cy|ry|height)$/.test(name) ? box.height : Math.hypot(box.width, box.height) / Math.SQRT2;
    return whole * parseFloat(value) / 100;
  };
  const valueOf = (style, name) => {
    const value = style.getPropertyValue(name);
    return (colours.includes(name) ? plain(value) : name.startsWith('color-interpolation') ? value.replace('srgb', 'sRGB').replace('linearrgb', 'linearRGB') : value).replaceAll(/url\("([^"]*)"\)/g, 'url($1)');
  };

  // Shapes of CSS as shapes of SVG, which readers that are no browsers know as well; null for what counts from something else than the box of the fill.
  const shapeOf = (e, clip) => {
    const found = clip.match(/^(circle|ellipse|inset|polygon)\(([^()]*)\)$/);
    if (!found || !(e instanceof SVGGraphicsElement) || [e, ...e.querySelectorAll('*')].some(i => getComputedStyle(i).stroke !== 'none') || e.matches('text') || e.querySelector('text, svg, use')) {
      return null;
    }
    const { x, y, width, height } = e.getBBox();
    const wide = text => text.endsWith('%') ? width * parseFloat(text) / 100 : parseFloat(text);
    const tall = text => text.endsWith('%') ? height * parseFloat(text) / 100 : parseFloat(text);
    const [size, place] = found[2].split(/\s*\bat\b\s*/);
    const [cx, cy] = place ? [x + wide(place.split(' ')[0]), y + tall(place.split(' ')[1])] : [x + width / 2, y + height / 2];
    const sides = [cx - x, x + width - cx, cy - y, y + height - cy].map(Math.abs);
    const near = (text, some, share) => /^$|closest-side/.test(text) ? Math.min(...some) : text === 'farthest-side' ? Math.max(...some) : share(text);
    const made = {
      circle: () => ['circle', { cx, cy, r: near(size.trim(), sides, text => text.endsWith('%') ? Math.hypot(width, height) / Math.SQRT2 * parseFloat(text) / 100 : parseFloat(text)) }],
      ellipse: () => {
        const [across = '', down = across] = size.trim().split(' ');
        return ['ellipse', { cx, cy, rx: near(across, sides.slice(0, 2), wide), ry: near(down, sides.slice(2), tall) }];
      },
      inset: () => {
        const [edges, round] = found[2].split(/\s*\bround\b\s*/);
        const [top, right = top, bottom = top, left = right] = edges.trim().split(' ');
        const r = round === undefined ? 0 : /^[\d.]+px$/.test(round) ? parseFloat(round) : NaN;
        return ['rect', { x: x + wide(left), y: y + tall(top), width: width - wide(left) - wide(right), height: height - tall(top) - tall(bottom), rx: r }];
      },
      polygon: () => {
        const [rule, corners] = /^(nonzero|evenodd)/.test(found[2]) ? [found[2].split(',')[0], found[2].split(',').slice(1)] : ['nonzero', found[2].split(',')];
        return ['polygon', { 'clip-rule': rule, points: corners.map(c => c.trim().split(' ')).map(([a, b]) => `${x + wide(a)},${y + tall(b)}`).join(' ') }];
      },
    }[found[1]]();
    return Object.values(made[1]).some(v => typeof v === 'number' ? !Number.isFinite(v) || v < 0 && made[0] !== 'rect' : /NaN/.test(v)) ? null : made;
  };

  // Clips and masks that count from a box which what goes is a part of: the same in plain coordinates.
  const reference = value => value.match(/^url\("?#([^"]*)"?\)$/)?.[1];
  const fixed = all.filter(e => e instanceof SVGGraphicsElement && e.querySelector('[data-counted]')).flatMap(e => ['clip-path', 'mask'].map(name => ({ e, name, value: getComputedStyle(e).getPropertyValue(name), box: e.getBBox() })))
    .filter(({ value }) => value && value !== 'none');
  if (fixed.some(({ e, value }) => !reference(value) && !shapeOf(e, value))) {
    return '';
  }

  // Gradients over the box of a text: its letters have none when they become outlines.
  const gradients = new Map([...root.querySelectorAll('linearGradient, radialGradient')].map(g => [g.id, g]));
  const chainOf = id => { const chain = []; for (let g = gradients.get(id); g && !chain.includes(g); g = gradients.get((g.getAttribute('href') ?? g.getAttribute('xlink:href') ?? '').slice(1))) { chain.push(g); } return chain; };
  const firstSaid = (chain, name) => chain.find(g => g.hasAttribute(name))?.getAttribute(name);
  const overText = [...root.querySelectorAll('text')].filter(t => !t.closest(definitions)).flatMap(text => [text, ...text.querySelectorAll('tspan, textPath, a')].flatMap(e => ['fill', 'stroke'].map(name => {
    const value = getComputedStyle(e).getPropertyValue(name);
    const chain = e === text || value !== getComputedStyle(e.parentElement).getPropertyValue(name) ? chainOf(value.match(/url\("?#([^"]*)"?\)/)?.[1]) : [];
    return { e, name, chain, box: chain.length ? text.getBBox() : null };
  }))).filter(({ chain, box }) => chain.length && firstSaid(chain, 'gradientUnits') !== 'userSpaceOnUse' && box.width && box.height);

  const changes = all.filter(e => !['style', 'title', 'desc'].includes(e.localName)).map(e => {
    const style = getComputedStyle(e);
    const parent = e === root || e.parentElement === root || isGone(e.parentElement) ? null : getComputedStyle(e.parentElement);
    const isText = ['text', 'tspan', 'textPath', 'a'].includes(e.localName);
    const say = {};
    for (const [name, usual] of Object.entries(isText ? { ...handedDown, ...ofText } : handedDown)) {
      const value = valueOf(style, name);
      // Words say it themselves, wherever their text is taken to.
      const around = parent && !(e.localName === 'text' && name in ofText) ? valueOf(parent, name) : usual;
      if (value !== around || e.hasAttribute(name)) {
        say[name] = value;
      }
    }
    for (const [name, usual] of Object.entries(own)) {
      const value = valueOf(style, name);
      say[name] = value && value !== usual ? value : null;
    }
    const clip = say['clip-path'] && shapeOf(e, say['clip-path']);
    if (say['text-decoration-line']) {
      lines.forEach(name => { say[name] = valueOf(style, name); });
    }
    if (['svg', 'symbol', 'marker', 'pattern'].includes(e.localName) && style.overflow === 'visible') {
      say.overflow = 'visible';
    }
    for (const name of geometry[e.localName] ?? []) {
      const value = style.getPropertyValue(name);
      if (/^-?[\d.]+(e-?\d+)?(px|%)$/.test(value) && !(e.getAttribute(name) ?? '').endsWith('%') || value.endsWith('%')) {
        const number = length(e, name, value);
        if (Math.abs(number - (parseFloat(e.getAttribute(name)) || 0)) > 1e-6 || (e.getAttribute(name) ?? '').endsWith('%')) {
          say[name] = String(number);
        }
      }
    }
    if (e.localName === 'path' && saysPaths) {
      const path = style.getPropertyValue('d').match(/^path\("([^"]*)"\)$/);
      say.d = path ? path[1] : e.getAttribute('d');
    }
    const matrix = moved(e, style);
    if (matrix) {
      say.transform = matrix;
    }
    return { e, say, clip, isGone: isGone(e) };
  });

  // Colours of other spaces run from one to the other another way than those of sRGB: steps between them say how.
  const steps = 12;
  const between = (from, to, share) => {
    const probe = document.createElementNS(svg, 'g');
    probe.style.color = `color-mix(in oklab, ${from} ${100 * (1 - share)}%, ${to})`;
    root.append(probe);
    const mixed = plain(getComputedStyle(probe).color);
    probe.remove();
    return mixed;
  };
  const more = [...root.querySelectorAll('linearGradient, radialGradient')].flatMap(gradient => {
    const stops = [...gradient.children].filter(s => s.localName === 'stop').map(s => ({ s, colour: getComputedStyle(s).getPropertyValue('stop-color'), opacity: Number(getComputedStyle(s).getPropertyValue('stop-opacity')), at: s.offset.baseVal }));
    return stops.slice(1).flatMap((to, i) => {
      const from = stops[i];
      return !isWide(from.colour) && !isWide(to.colour) ? [] : Array.from({ length: steps - 1 }, (_, n) => (n + 1) / steps).map(share =>
        ({ before: to.s, at: from.at + share * (to.at - from.at), colour: between(from.colour, to.colour, share), opacity: from.opacity + share * (to.opacity - from.opacity) }));
    });
  });

  // ---- said
  for (const { e, say } of changes) {
    e.removeAttribute('style');
    e.removeAttribute('class');
    ['text-decoration', 'font-variant', 'font'].forEach(name => e.removeAttribute(name));
    const style = [];
    for (const [name, value] of Object.entries(say)) {
      e.removeAttribute(name);
      if (value !== null && (attributes.has(name) || !(name in handedDown || name in ofText || name in own || lines.includes(name)))) {
        e.setAttribute(name, value);
      } else if (value !== null) {
        style.push(`${name}:${value}`);
      }
    }
    if (style.length) {
      e.setAttribute('style', style.join(';'));
    }
  }
  for (const { before, at, colour, opacity } of more) {
    const stop = document.createElementNS(svg, 'stop');
    stop.setAttribute('offset', at);
    stop.setAttribute('stop-color', colour);
    stop.setAttribute('stop-opacity', opacity);
    before.before(stop);
  }
  const kept = document.createElementNS(svg, 'defs');

  changes.filter(c => c.clip && c.e.isConnected).forEach(({ e, clip: [name, values] }, i) => {
    const [clip, shape] = [document.createElementNS(svg, 'clipPath'), document.createElementNS(svg, name)];
    Object.entries(values).forEach(([n, v]) => shape.setAttribute(n, v));
    clip.id = `clip-of-css-${i}`;
    clip.append(shape);
    kept.append(clip);
    e.style.removeProperty('clip-path');
    e.setAttribute('clip-path', `url(#${clip.id})`);
  });

  const fix = (id, box) => {
    const found = document.getElementById(id)?.cloneNode(true);
    if (!found?.matches('clipPath, mask')) {
      return id;
    }
    const [toBox, isMask] = [`translate(${box.x} ${box.y}) scale(${box.width} ${box.height})`, found.localName === 'mask'];
    if (isMask && found.getAttribute('maskUnits') !== 'userSpaceOnUse') {
      const share = (name, usual) => { const text = found.getAttribute(name) ?? usual; return text.endsWith('%') ? parseFloat(text) / 100 : parseFloat(text); };
      const place = { x: box.x + share('x', '-10%') * box.width, y: box.y + share('y', '-10%') * box.height, width: share('width', '120%') * box.width, height: share('height', '120%') * box.height };
      Object.entries({ ...place, maskUnits: 'userSpaceOnUse' }).forEach(([n, v]) => found.setAttribute(n, v));
    }
    if (isMask && found.getAttribute('maskContentUnits') === 'objectBoundingBox') {
      const group = document.createElementNS(svg, 'g');
      group.setAttribute('transform', toBox);
      group.append(...found.childNodes);
      found.append(group);
      found.removeAttribute('maskContentUnits');
    } else if (found.getAttribute('clipPathUnits') === 'objectBoundingBox') {
      found.setAttribute('transform', `${found.getAttribute('transform') ?? ''} ${toBox}`);
      found.removeAttribute('clipPathUnits');
    }
    const name = isMask ? 'mask' : 'clip-path';
    const more = reference(found.style[name]) ?? reference(found.getAttribute(name) ?? '');
    if (more) {
      const inner = fix(more, box);
      found.style.removeProperty(name);
      found.setAttribute(name, `url(#${inner})`);
    }
    found.querySelectorAll('[id]').forEach(i => i.removeAttribute('id'));
    found.id = `${id}-fixed-${kept.childElementCount}`;
    kept.append(found);
    return found.id;
  };
  for (const { e, name, value, box } of fixed.filter(f => reference(f.value))) {
    e.style.removeProperty(name);
    e.setAttribute(name, `url(#${fix(reference(value), box)})`);
  }

  for (const { e, name, chain, box } of overText.filter(o => o.e.isConnected)) {
    const copy = document.createElementNS(svg, chain[0].localName);
    const places = copy.localName === 'linearGradient' ? { x1: '0', y1: '0', x2: '1', y2: '0' } : { cx: '.5', cy: '.5', r: '.5', fx: null, fy: null, fr: null };
    Object.entries(places).forEach(([place, usual]) => {
      const value = firstSaid(chain, place) ?? usual;
      if (value !== null) {
        copy.setAttribute(place, value.endsWith('%') ? parseFloat(value) / 100 : value);
      }
    });
    copy.id = `over-text-${kept.childElementCount}`;
    copy.setAttribute('href', `#${chain[0].id}`);
    copy.setAttribute('gradientUnits', 'userSpaceOnUse');
    copy.setAttribute('gradientTransform', `translate(${box.x} ${box.y}) scale(${box.width} ${box.height}) ${firstSaid(chain, 'gradientTransform') ?? ''}`);
    kept.append(copy);
    e.style.removeProperty(name);
    e.setAttribute(name, `url(#${copy.id})`);
  }

  // No printing keeps shadows of words: each is the words once more beneath them.
  for (const { e, say } of changes.filter(c => c.e.localName === 'text' && c.say['text-shadow'])) {
    const shadows = [...say['text-shadow'].matchAll(/((?:rgba?|color|oklab|oklch|lab|lch)\([^)]*\)) (-?[\d.]+)px (-?[\d.]+)px (-?[\d.]+)px/g)];
    e.style.removeProperty('text-shadow');
    // A browser counts them in px of the window, whatever makes the words larger.
    const { a, b, c, d } = e.getScreenCTM() ?? new DOMMatrix();
    const times = Math.sqrt(Math.abs(a * d - b * c)) || 1;
    shadows.reverse().forEach(([, colour, right, down, blur], i) => {
      const shadow = e.cloneNode(true);
      [shadow, ...shadow.querySelectorAll('*')].forEach(s => {
        s.style?.removeProperty('text-shadow');
        s.removeAttribute('id');
        ['fill', 'stroke'].filter(p => s === shadow && p === 'fill' || s.hasAttribute(p) && s.getAttribute(p) !== 'none').forEach(p => s.setAttribute(p, plain(colour)));
      });
      const moved = document.createElementNS(svg, 'g');
      moved.setAttribute('transform', `translate(${right / times} ${down / times})`);
      if (Number(blur) > 0) {
        const filter = document.createElementNS(svg, 'filter');
        const soft = document.createElementNS(svg, 'feGaussianBlur');
        soft.setAttribute('stdDeviation', Number(blur) / 2 / times);
        filter.append(soft);
        Object.entries({ id: `shadow-of-words-${kept.childElementCount}-${i}`, x: '-50%', y: '-100%', width: '200%', height: '300%' }).forEach(([n, v]) => filter.setAttribute(n, v));
        kept.append(filter);
        moved.setAttribute('filter', `url(#${filter.id})`);
      }
      moved.append(shadow);
      e.before(moved);
    });
  }
  for (const { e } of changes.filter(c => c.isGone && c.e.isConnected)) {
    [e, ...e.querySelectorAll('[id]')].filter(i => referred.has(i.id) && !i.parentElement.closest('[data-kept]')).forEach(i => {
      i.setAttribute('data-kept', '');
      kept.append(i);
    });
    e.remove();
  }
  kept.querySelectorAll('[data-kept]').forEach(i => i.removeAttribute('data-kept'));
  root.querySelectorAll('style').forEach(s => s.remove());
  // The drawing itself, without the window that it was seen through.
  const drawing = root.querySelector(':scope > svg');
  drawing.prepend(kept);
  return new XMLSerializer().serializeToString(drawing);
})()
