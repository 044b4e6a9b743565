// The fixed box of an opened row: typed, or dragged on the picture.
export const box = {
  boxDrag: null,

  // What is shown: the shape, the box and some room around both, in points.
  boxView(row) {
    const [a, b] = [this.detailOf(row).shape, this.boxOf(row)];
    const left = Math.min(a[0], b[0]), top = Math.min(a[1], b[1]);
    const wide = Math.max(a[0] + a[2], b[0] + b[2]) - left, tall = Math.max(a[1] + a[3], b[1] + b[3]) - top;
    const room = Math.max(wide, tall) * 0.15;
    return { left: left - room, top: top - room, wide: wide + 2 * room, tall: tall + 2 * room, scale: Math.min(6, 150 / (Math.max(wide, tall) + 2 * room)) };
  },
  boxOf(row) {
    return (this.boxDrag?.ordinal === row.ordinal ? this.boxDrag.box : this.detailOf(row).crop) ?? this.detailOf(row).shape;
  },
  placed(row, [x, y, w, h]) {
    const view = this.boxDrag?.ordinal === row.ordinal ? this.boxDrag.view : this.boxView(row);
    return { left: `${(x - view.left) * view.scale}px`, top: `${(y - view.top) * view.scale}px`, width: `${w * view.scale}px`, height: `${h * view.scale}px` };
  },
  stageStyle(row) {
    const view = this.boxDrag?.ordinal === row.ordinal ? this.boxDrag.view : this.boxView(row);
    return { width: `${view.wide * view.scale}px`, height: `${view.tall * view.scale}px` };
  },
  shapeStyle(row) { return this.placed(row, row.ink ? this.onBoard(row, row.ink) : this.detailOf(row).shape); },
  // The picture of a layer shows its ink, whose box counts from the screen.
  onBoard(row, ink) {
    const [shape, own] = [this.detailOf(row).crop ?? this.detailOf(row).shape, row.box];
    return own ? [ink[0] - own[0] + shape[0], ink[1] - own[1] + shape[1], ink[2], ink[3]] : this.detailOf(row).shape;
  },
  boxStyle(row) { return this.placed(row, this.boxOf(row)); },
  dragBox(row) {
    const start = this.$event;
    const frame = start.currentTarget;
    const box = [...this.boxOf(row)];
    this.boxDrag = { ordinal: row.ordinal, view: this.boxView(row), box };
    const { scale } = this.boxDrag.view;
    frame.setPointerCapture(start.pointerId);
    const move = e => {
      this.boxDrag = { ...this.boxDrag, box: [box[0] + Math.round((e.clientX - start.clientX) / scale), box[1] + Math.round((e.clientY - start.clientY) / scale), box[2], box[3]] };
    };
    const end = async () => {
      frame.removeEventListener('pointermove', move);
      const [x, y, w, h] = this.boxDrag.box;
      const [left, top] = this.detailOf(row).corner;
      if (x !== box[0] || y !== box[1]) {
        await this.fixBox(row, { width: String(w), height: String(h), x: x - left, y: y - top });
      }
      this.boxDrag = null;
    };
    frame.addEventListener('pointermove', move);
    frame.addEventListener('pointerup', end, { once: true });
  },
  setBox(row) {
    const { w, h, place } = Object.fromEntries(new FormData(this.$event.target));
    return this.fixBox(row, { width: w, height: h, place });
  },
  async fixBox(row, box) {
    this.picked = [row.ordinal];
    await this.edit({ box });
    await this.loadDetail(row.ordinal);
  },
};
