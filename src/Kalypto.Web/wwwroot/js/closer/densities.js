// Screens of 1x, 2x and 3x beside each other, each with the file that it takes. All show the same part of the picture.
const glass = [88, 96];
const map = [188, 96];
const clamp = (value, room) => Math.min(1 - room / 2, Math.max(room / 2, value));
export const densities = () => ({
  at: [0.5, 0.5],

  // CSS px of one pt: every pixel of a file is seen as a square.
  get size() { return Math.max(3, Math.min(6, glass[0] / Math.max(...this.model.points))); },
  // The share of the picture that a screen shows, across and down.
  get seen() { return this.model.points.map((points, i) => Math.min(1, glass[i] / (points * this.size))); },
  get isWhole() { return this.seen.every(s => s === 1); },
  get centre() { return this.seen.map((s, i) => clamp(this.at[i], s)); },
  get mapStyle() {
    const [wide, tall] = this.model.points;
    const scale = Math.min(map[0] / wide, map[1] / tall);
    return { width: `${wide * scale}px`, height: `${tall * scale}px` };
  },
  get frameStyle() {
    const [x, y] = this.centre.map((c, i) => (c - this.seen[i] / 2) * 100);
    return { left: `${x}%`, top: `${y}%`, width: `${this.seen[0] * 100}%`, height: `${this.seen[1] * 100}%` };
  },
  get devices() {
    const px = this.model.points.map(points => points * this.size);
    const [left, top] = px.map((length, i) => glass[i] / 2 - this.centre[i] * length);
    return this.model.devices.map(({ density, file, isEnlarged, isSharp }) => ({
      scale: density, picture: file?.picture ?? '', text: !file ? 'no such file' : !file.picture ? 'not drawn yet' : isEnlarged ? `${file.size}, enlarged` : file.size,
      style: { width: `${px[0]}px`, height: `${px[1]}px`, left: `${left}px`, top: `${top}px`, imageRendering: isSharp ? 'auto' : 'pixelated' },
    }));
  },
  moveBy(x, y) { this.at = this.centre.map((c, i) => clamp(c + [x, y][i], this.seen[i])); },
  // On the map the frame jumps to the pointer; on a screen the picture is pulled.
  point() {
    const start = this.$event;
    const target = start.currentTarget;
    const box = target.getBoundingClientRect();
    const move = e => { this.at = [clamp((e.clientX - box.left) / box.width, this.seen[0]), clamp((e.clientY - box.top) / box.height, this.seen[1])]; };
    this.follow(start, target, move);
    move(start);
  },
  pull() {
    const start = this.$event;
    let [x, y] = [start.clientX, start.clientY];
    this.follow(start, start.currentTarget, e => {
      const [wide, tall] = this.model.points;
      this.moveBy((x - e.clientX) / (wide * this.size), (y - e.clientY) / (tall * this.size));
      [x, y] = [e.clientX, e.clientY];
    });
  },
  follow(start, target, move) {
    target.setPointerCapture(start.pointerId);
    target.addEventListener('pointermove', move);
    target.addEventListener('pointerup', () => target.removeEventListener('pointermove', move), { once: true });
  },
  step(event) {
    const by = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key];
    if (by) {
      event.preventDefault();
      this.moveBy(by[0] * this.seen[0] / 4, by[1] * this.seen[1] / 4);
    }
  },
});
