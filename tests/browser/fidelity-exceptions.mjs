// Layers whose pixels may differ from Chromium's in more than 2% of their ink, each with its reason and its own limit.
const curves = 'Thin strokes on curves: the renderer samples an edge at 15 lines a pixel, and most of the ink of such a layer is edge.';
const glyphs = 'Small text: the two set glyphs up to an eighth of a pixel apart, and most of the ink of small text is edge.';

const known = [
  { reason: curves, most: 0.085, layers: ['circle', 'ellipse', 'path', 'person', 'saturn', 'rings', 'stars', 'group', 'calendar'] },
  { reason: glyphs, most: 0.075, layers: ['10°', '8°', 'M', 'S', 'Lens', '18', '22', '25', 'week 3', 'hour 22', 'queue note'] },
  { reason: glyphs, most: 0.03, layers: ['22:00 · terrace · 11 places', '21:30 · dome 1 · 6 places', '21:30, 45 minutes', '4 people are before you'] },
];

export const exceptions = known.map(e => ({ ...e, covers: r => e.layers.includes(r.name) && r.part <= e.most }));
