// The pointer on the picture: picks, draws a rectangle to pick many, pans with the middle button or two fingers.
import { picking } from './picking.js';

export const pointer = {
  band: null,
  down: null,
  fingers: {},

  pointOf(event) {
    const at = this.$refs.stage.getBoundingClientRect();
    return [(event.clientX - at.left - this.view.x) / this.view.scale, (event.clientY - at.top - this.view.y) / this.view.scale];
  },
  pointerDown(event) {
    event.currentTarget.setPointerCapture(event.pointerId);
    this.fingers = { ...this.fingers, [event.pointerId]: [event.clientX, event.clientY] };
    const pans = event.button === 1 || event.altKey || Object.keys(this.fingers).length > 1;
    this.down = { at: this.pointOf(event), pans };
    this.band = null;
    if (event.button === 1) {
      event.preventDefault();
    }
  },
  pointerMove(event) {
    const before = this.fingers[event.pointerId];
    if (!before || !this.down) {
      return;
    }
    const others = Object.entries(this.fingers).filter(([id]) => Number(id) !== event.pointerId).map(([, at]) => at);
    if (others.length) {
      const [other] = others;
      const apart = at => Math.hypot(at[0] - other[0], at[1] - other[1]);
      const stage = this.$refs.stage.getBoundingClientRect();
      this.zoom(apart([event.clientX, event.clientY]) / Math.max(1, apart(before)), (event.clientX + other[0]) / 2 - stage.left, (event.clientY + other[1]) / 2 - stage.top);
      this.pan((event.clientX - before[0]) / 2, (event.clientY - before[1]) / 2);
    } else if (this.down.pans) {
      this.pan(event.clientX - before[0], event.clientY - before[1]);
    } else {
      const [x, y] = this.pointOf(event);
      const [fromX, fromY] = this.down.at;
      const box = [Math.min(x, fromX), Math.min(y, fromY), Math.abs(x - fromX), Math.abs(y - fromY)];
      this.band = (box[2] + box[3]) * this.view.scale > 6 ? box : null;
    }
    this.fingers = { ...this.fingers, [event.pointerId]: [event.clientX, event.clientY] };
  },
  pointerUp(event) {
    const { [event.pointerId]: gone, ...rest } = this.fingers;
    this.fingers = rest;
    if (!this.down || this.down.pans || !gone) {
      this.down = Object.keys(rest).length ? this.down : null;
      return;
    }
    const rows = this.allRows;
    if (this.band) {
      this.picked = picking.within(rows, this.band).map(r => r.ordinal);
    } else {
      const current = this.picked.length === 1 ? this.picked[0] : null;
      const row = picking.at(rows, ...this.down.at, current);
      if (row && (event.ctrlKey || event.metaKey || event.shiftKey)) {
        this.togglePick(row);
      } else {
        this.picked = row ? [row.ordinal] : [];
      }
    }
    this.down = null;
    this.band = null;
    if (this.picked.length) {
      const picked = this.picked;
      this.goTo(picked.at(-1));
      this.picked = picked;
    }
    this.lineChanged();
  },
};
