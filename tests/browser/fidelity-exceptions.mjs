// Layers whose pixels may differ from Chromium's in more than 2% of their ink, each with its reason and its own limit.
const curves = 'Thin strokes on curves: the renderer samples an edge at 15 lines a pixel, and most of the ink of such a layer is edge.';
const glyphs = 'Small text: the two set glyphs up to an eighth of a pixel apart, and most of the ink of small text is edge.';
const wide = 'Text in a layer too wide to be compared closer: Chromium sets its glyphs at quarters of a pixel.';
const tiles = 'Patterns: the renderer draws one tile at whole pixels and repeats it; the dots of this one are as small as their edges.';

const known = [
  { reason: curves, most: 0.085, layers: ['circle', 'ellipse', 'path', 'person', 'saturn', 'rings', 'stars', 'group', 'calendar', 'sparkles'] },
  { reason: glyphs, most: 0.075, layers: ['10°', '8°', 'M', 'S', 'Lens', '18', '22', '25', 'week 3', 'hour 22', 'queue note', 'directions'] },
  { reason: glyphs, most: 0.03, layers: ['22:00 · terrace · 11 places', '21:30 · dome 1 · 6 places', '21:30, 45 minutes', '4 people are before you'] },
  { reason: wide, most: 0.13, layers: ['navigation'] },
  { reason: wide, most: 0.085, layers: [
    'The rings are tilted towards us by eleven degrees this month.', 'A small observatory on Larkrise Hill. Come and look.', 'Saturn is up at half past nine'] },
  { reason: tiles, most: 0.23, layers: ['dotted ground'] },
];

export const exceptions = known.map(e => ({ ...e, covers: r => e.layers.includes(r.name) && r.part <= e.most }));
