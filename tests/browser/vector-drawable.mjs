// A small reader of Android's vector drawables: draws them back as SVG, by the reference of VectorDrawable and nothing else.
const colour = argb => {
  const [, a, rgb] = /^#([0-9A-F]{2})([0-9A-F]{6})$/.exec(argb) ?? fail(`colour ${argb}`);
  return { fill: `#${rgb}`, opacity: parseInt(a, 16) / 255 };
};
const fail = what => { throw new Error(`A vector drawable cannot have ${what}.`); };
const names = new Set(['width', 'height', 'viewportWidth', 'viewportHeight', 'pathData', 'fillColor', 'fillAlpha', 'fillType', 'strokeColor', 'strokeAlpha', 'strokeWidth',
  'strokeLineCap', 'strokeLineJoin', 'strokeMiterLimit', 'type', 'startX', 'startY', 'endX', 'endY', 'centerX', 'centerY', 'gradientRadius', 'tileMode', 'offset', 'color', 'name']);

// `parse` gives { name, attributes, children } of an element.
export function toSvg(root) {
  let ids = 0;
  const at = (node, name) => node.attributes[`android:${name}`];
  const check = node => Object.keys(node.attributes).forEach(a => a.startsWith('xmlns') || a === 'name' || (a.startsWith('android:') && names.has(a.slice(8))) || fail(`attribute ${a}`));
  const defs = [];
  function gradient(node) {
    const [g] = node.children;
    g.name === 'gradient' || fail(g.name);
    check(g);
    const id = `g${++ids}`;
    const spread = { clamp: 'pad', mirror: 'reflect', repeat: 'repeat' }[at(g, 'tileMode') ?? 'clamp'];
    const stops = g.children.map(i => { const c = colour(at(i, 'color')); return `<stop offset="${at(i, 'offset')}" stop-color="${c.fill}" stop-opacity="${c.opacity}"/>`; }).join('');
    defs.push(at(g, 'type') === 'linear'
      ? `<linearGradient id="${id}" gradientUnits="userSpaceOnUse" spreadMethod="${spread}" x1="${at(g, 'startX')}" y1="${at(g, 'startY')}" x2="${at(g, 'endX')}" y2="${at(g, 'endY')}">${stops}</linearGradient>`
      : `<radialGradient id="${id}" gradientUnits="userSpaceOnUse" spreadMethod="${spread}" cx="${at(g, 'centerX')}" cy="${at(g, 'centerY')}" r="${at(g, 'gradientRadius')}">${stops}</radialGradient>`);
    return `url(#${id})`;
  }
  function paint(node, what) {
    const nested = node.children.find(c => c.name === 'aapt:attr' && c.attributes.name === `android:${what}Color`);
    if (nested) {
      return `${what}="${gradient(nested)}"`;
    }
    const said = at(node, `${what}Color`);
    const { fill, opacity } = said ? colour(said) : { fill: 'none', opacity: 1 };
    return `${what}="${fill}" ${what}-opacity="${opacity}"`;
  }
  function draw(node) {
    check(node);
    switch (node.name) {
      case 'path':
        return `<path d="${at(node, 'pathData')}" ${paint(node, 'fill')} ${paint(node, 'stroke')} fill-rule="${(at(node, 'fillType') ?? 'nonZero').toLowerCase()}" stroke-width="${at(node, 'strokeWidth') ?? 0}"`
          + ` stroke-linecap="${at(node, 'strokeLineCap') ?? 'butt'}" stroke-linejoin="${at(node, 'strokeLineJoin') ?? 'miter'}" stroke-miterlimit="${at(node, 'strokeMiterLimit') ?? 4}"/>`;
      case 'group': {
        const clip = node.children.find(c => c.name === 'clip-path');
        const id = `c${++ids}`;
        if (clip) {
          defs.push(`<clipPath id="${id}"><path d="${at(clip, 'pathData')}"/></clipPath>`);
        }
        return `<g${clip ? ` clip-path="url(#${id})"` : ''}>${node.children.filter(c => c !== clip).map(draw).join('')}</g>`;
      }
      default:
        return fail(`element ${node.name}`);
    }
  }
  root.name === 'vector' || fail(`root ${root.name}`);
  /^[\d.]+dp$/.test(at(root, 'width')) || fail(`width ${at(root, 'width')}`);
  check(root);
  const body = root.children.map(draw).join('');
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${parseFloat(at(root, 'width'))}" height="${parseFloat(at(root, 'height'))}" viewBox="0 0 ${at(root, 'viewportWidth')} ${at(root, 'viewportHeight')}"><defs>${defs.join('')}</defs>${body}</svg>`;
}
