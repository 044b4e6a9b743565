// The part of the picture that is in sight: fit, zoom and pan.
const space = 12;
const smallest = 0.02;
const largest = 40;

export const view = {
  view: { scale: 1, x: 0, y: 0 },
  stage: { width: 400, height: 500 },
  fitted: true,

  fit() {
    this.frame([0, 0, this.size.width, this.size.height], space);
    this.fitted = true;
  },
  frame(box, margin) {
    const scale = Math.min(largest, Math.max(smallest, Math.min((this.stage.width - 2 * margin) / Math.max(1, box[2]), (this.stage.height - 2 * margin) / Math.max(1, box[3]))));
    this.view = { scale, x: this.stage.width / 2 - (box[0] + box[2] / 2) * scale, y: this.stage.height / 2 - (box[1] + box[3] / 2) * scale };
    this.fitted = false;
  },
  toPicked() {
    const boxes = this.targets.map(o => this.rowOf(o)?.box).filter(Boolean);
    if (boxes.length) {
      const [left, top] = [Math.min(...boxes.map(b => b[0])), Math.min(...boxes.map(b => b[1]))];
      this.frame([left, top, Math.max(...boxes.map(b => b[0] + b[2])) - left, Math.max(...boxes.map(b => b[1] + b[3])) - top], 60);
    }
  },
  zoom(by, x = this.stage.width / 2, y = this.stage.height / 2) {
    const scale = Math.min(largest, Math.max(smallest, this.view.scale * by));
    const real = scale / this.view.scale;
    this.view = { scale, x: x - (x - this.view.x) * real, y: y - (y - this.view.y) * real };
    this.fitted = false;
  },
  zoomIn() { this.zoom(1.25); },
  zoomOut() { this.zoom(0.8); },
  get zoomText() {
    return `${Math.round(this.view.scale * 100)}%`;
  },
  wheel(event) {
    event.preventDefault();
    if (event.shiftKey) {
      this.pan(-event.deltaY, -event.deltaX);
    } else {
      const at = this.$refs.stage.getBoundingClientRect();
      this.zoom(Math.exp(-event.deltaY * (event.ctrlKey ? 0.01 : 0.0015)), event.clientX - at.left, event.clientY - at.top);
    }
  },
  pan(dx, dy) {
    this.view = { ...this.view, x: this.view.x + dx, y: this.view.y + dy };
    this.fitted = false;
  },
  get imagePlace() {
    const { scale, x, y } = this.view;
    return { left: `${x}px`, top: `${y}px`, width: `${this.size.width * scale}px`, height: `${this.size.height * scale}px` };
  },
};
