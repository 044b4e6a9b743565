// What is drawn over the picture of a plate: the frame of what is picked, and the lines between two that are measured.
const space = 'http://www.w3.org/2000/svg';

const add = (parent, name, attributes) => {
  const element = document.createElementNS(space, name);
  Object.entries(attributes).forEach(([key, value]) => element.setAttribute(key, value));
  parent.append(element);
};

export const marks = (svg, places, between, point) => {
  const group = svg.querySelector('.plate-marks');
  const scale = Number(svg.dataset.scale);
  group.replaceChildren();
  places.forEach(([x, y, width, height]) => add(group, 'rect', { class: 'plate-here', x: x * scale - 2, y: y * scale - 2, width: width * scale + 4, height: height * scale + 4 }));
  if (point) {
    add(group, 'circle', { class: 'plate-point', cx: point[0] * scale, cy: point[1] * scale, r: 6 });
  }
  if (!between) {
    return;
  }
  const [a, b] = between.map(box => box.map(n => n * scale));
  add(group, 'rect', { class: 'plate-here second', x: b[0] - 2, y: b[1] - 2, width: b[2] + 4, height: b[3] + 4 });
  const span = (from, length, other, otherLength) => (from + length <= other ? [from + length, other] : other + otherLength <= from ? [other + otherLength, from] : null);
  const across = span(a[0], a[2], b[0], b[2]);
  const down = span(a[1], a[3], b[1], b[3]);
  const middle = (from, length, other, otherLength) => (Math.max(from, other) + Math.min(from + length, other + otherLength)) / 2;
  if (across) {
    const y = middle(a[1], a[3], b[1], b[3]);
    add(group, 'line', { class: 'plate-gap', x1: across[0], x2: across[1], y1: y, y2: y });
  }
  if (down) {
    const x = middle(a[0], a[2], b[0], b[2]);
    add(group, 'line', { class: 'plate-gap', x1: x, x2: x, y1: down[0], y2: down[1] });
  }
};
