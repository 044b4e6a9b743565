// What is drawn over the picture: colours, hatching, labels and distances.
// The colours are those of css/tokens.css.
const look = getComputedStyle(document.documentElement);
const token = name => look.getPropertyValue(`--${name}`).trim();
export const colours = {
  ink: token('ink'), deep: token('deep'), coral: token('coral'), bright: token('bright'), ship: token('mark-ship'),
  shade: token('mark-shade'), code: token('mark-code'), dim: token('mark-dim'), band: token('mark-band'),
};

export const hatch = (() => {
  const tile = document.createElement('canvas');
  tile.width = tile.height = 8;
  const g = tile.getContext('2d');
  g.strokeStyle = colours.code;
  g.lineWidth = 2;
  [[-2, 2, 2, -2], [0, 8, 8, 0], [6, 10, 10, 6]].forEach(([a, b, c, d]) => { g.beginPath(); g.moveTo(a, b); g.lineTo(c, d); g.stroke(); });
  return tile;
})();

export const label = (g, text, x, y, colour) => {
  g.font = '11px "Atkinson Mono", monospace';
  const width = g.measureText(text).width + 8;
  g.fillStyle = colour;
  g.fillRect(x, y, width, 16);
  g.fillStyle = colours.bright;
  g.fillText(text, x + 4, y + 12);
};

// How far apart two picked layers are, across and down.
export const distances = (g, a, b, place) => {
  const gap = (from, length, other, otherLength) => other >= from + length ? [from + length, other] : from >= other + otherLength ? [other + otherLength, from] : null;
  const across = gap(a[0], a[2], b[0], b[2]);
  const down = gap(a[1], a[3], b[1], b[3]);
  const middle = (from, length, other, otherLength) => {
    const [low, high] = [Math.max(from, other), Math.min(from + length, other + otherLength)];
    return high > low ? (low + high) / 2 : from + length / 2;
  };
  g.strokeStyle = colours.coral;
  g.lineWidth = 1.5;
  const line = (x1, y1, x2, y2, length) => {
    const [px, py] = place([x1, y1, 0, 0]);
    const [qx, qy] = place([x2, y2, 0, 0]);
    g.beginPath();
    g.moveTo(px, py);
    g.lineTo(qx, qy);
    g.stroke();
    label(g, String(Math.round(length * 10) / 10), (px + qx) / 2 + 4, (py + qy) / 2 - 8, colours.coral);
  };
  if (across) {
    const y = middle(a[1], a[3], b[1], b[3]);
    line(across[0], y, across[1], y, across[1] - across[0]);
  }
  if (down) {
    const x = middle(a[0], a[2], b[0], b[2]);
    line(x, down[0], x, down[1], down[1] - down[0]);
  }
};
