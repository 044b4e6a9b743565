// A whole drawing with the frames of its screens. All numbers are drawing units, as the server wants them.
import * as server from './server.js';
import { count } from './words.js';

export const board = () => ({
  model: server.read('board'),
  refusal: '',
  seen: null,
  lit: null,
  framing: null,
  box: { x: 0, y: 0, width: 375, height: 812 },
  start: null,
  drawn: null,

  get screenCount() {
    return `${count(this.model.screens.length, 'screen')} by now`;
  },
  layersOf(screen) { return count(screen.layers, 'layer'); },
  get path() {
    const { project, design } = this.$root.dataset;
    return `/api/projects/${project}/designs/${design}`;
  },
  async change(wish) {
    const answer = await server.post(`${this.path}/screens`, wish);
    this.refusal = answer.failed ? answer.message : '';
    if (!answer.failed) {
      this.model = answer;
      this.seen = null;
      this.noFrame();
    }
  },
  async undo() {
    const undone = await server.post(`/api/projects/${this.$root.dataset.project}/undo`);
    const answer = undone.failed ? undone : await server.get(`${this.path}/screens`);
    this.refusal = answer.failed ? answer.message : '';
    if (!answer.failed) {
      this.model = answer;
    }
  },
  async takeGuess() {
    await server.post(`${this.path}/said`, { drawnAt: this.model.drawnAtGuess });
    const answer = await server.get(`${this.path}/screens`);
    if (!answer.failed) {
      this.model = answer;
    }
  },
  split(proposal) { this.change({ do: 'split', by: proposal.by }); },
  rename(screen, event) { this.change({ do: 'rename', root: screen.root, name: event.target.value }); },
  move(screen, by) {
    this.change({ do: 'move', root: screen.root, to: Math.max(0, this.model.screens.findIndex(s => s.root === screen.root) + by) });
  },
  remove(screen) { this.change({ do: 'remove', root: screen.root }); },
  fill(screen) {
    this.framing = screen;
    [this.box.x, this.box.y, this.box.width, this.box.height] = screen.box;
  },
  noFrame() { this.framing = null; },
  submitFrame() {
    const box = Object.fromEntries(Object.entries(this.box).map(([k, v]) => [k, Number(v)]));
    this.change(this.framing ? { do: 'reframe', root: this.framing.root, box } : { do: 'add', box });
  },
  addGroup() {
    if (this.$refs.group.value) {
      this.change({ do: 'add', layer: Number(this.$refs.group.value) });
    }
  },
  lookGroup() {
    const group = this.model.groups.find(g => g.ordinal === Number(this.$refs.group.value));
    this.seen = group ? { boxes: [group.box], names: [group.name] } : null;
  },
  look(proposal) { this.seen = proposal; },
  light(screen) { this.lit = screen?.root ?? null; },
  // ---- the picture
  get paperShape() {
    return { aspectRatio: `${this.model.width}/${this.model.height}`, '--wide': String(this.model.width / this.model.height) };
  },
  placeOf([x, y, width, height]) {
    const { model } = this;
    return {
      left: `${100 * (x - model.left) / model.width}%`, top: `${100 * (y - model.top) / model.height}%`,
      width: `${100 * width / model.width}%`, height: `${100 * height / model.height}%`,
    };
  },
  get frames() {
    const screens = this.model.screens.map(s => ({ key: `s${s.root}`, kind: { lit: this.lit === s.root }, place: this.placeOf(s.box), label: s.name }));
    const seen = (this.seen?.boxes ?? []).map((b, i) => ({ key: `p${i}`, kind: { seen: true }, place: this.placeOf(b), label: this.seen.names[i] || `Screen ${i + 1}` }));
    return [...screens, ...seen, ...this.drawn ? [{ key: 'drawn', kind: { seen: true }, place: this.placeOf(this.drawn), label: `${Math.round(this.drawn[2])} × ${Math.round(this.drawn[3])}` }] : []];
  },
  pointOf(event) {
    const at = this.$refs.paper.getBoundingClientRect();
    return [this.model.left + (event.clientX - at.left) / at.width * this.model.width, this.model.top + (event.clientY - at.top) / at.height * this.model.height];
  },
  pointerDown(event) {
    this.start = this.pointOf(event);
    event.currentTarget.setPointerCapture(event.pointerId);
  },
  pointerMove(event) {
    if (this.start) {
      const [x, y] = this.pointOf(event);
      const box = [Math.min(x, this.start[0]), Math.min(y, this.start[1]), Math.abs(x - this.start[0]), Math.abs(y - this.start[1])].map(Math.round);
      this.drawn = box[2] > 8 && box[3] > 8 ? box : null;
    }
  },
  pointerUp() {
    if (this.drawn) {
      const [x, y, width, height] = this.drawn;
      this.change({ do: 'add', box: { x, y, width, height } });
    }
    this.start = null;
    this.drawn = null;
  },
  key(event) {
    if (event.key === 'z' && !event.target.matches('input, select, textarea') && !event.ctrlKey && !event.metaKey) {
      event.preventDefault();
      this.undo();
    }
  },
});
