// One file of the pack: at its own pixels and magnified, on three grounds, against another format or quality.
import * as server from '../server.js';

export const closer = () => ({
  model: server.read('closer'),
  ground: 'check',
  steps: [1, 2, 4, 8],
  zoom: 1,
  ask: '',
  other: null,
  refusal: '',
  busy: false,
  divider: 50,

  init() {
    const { width, height } = this.model.file;
    // Small files are shown large enough to see their pixels.
    this.zoom = [8, 4, 2, 1].find(n => Math.max(width, height) * n <= 640) ?? 1;
    server.onChanged(this.project, async () => {
      const model = await server.get(`/api/projects/${this.project}/closer/${this.model.file.key}`);
      if (!model.failed) {
        this.model = model;
      }
    });
  },
  get project() { return this.$root.dataset.project; },
  get left() { return this.model.file.canShow ? this.model.file.picture : this.model.drawn; },
  get otherPicture() { return this.other ? this.other.picture : ''; },
  get paperStyle() {
    const ratio = window.devicePixelRatio || 1;
    return { width: `${this.model.file.width * this.zoom / ratio}px`, height: `${this.model.file.height * this.zoom / ratio}px` };
  },
  get otherStyle() { return { left: `${this.divider}%` }; },
  get dividerStyle() { return { left: `${this.divider}%` }; },
  onChecks() { this.ground = 'check'; },
  onLight() { this.ground = 'light'; },
  onDark() { this.ground = 'dark'; },
  magnify(n) { this.zoom = n; },
  async tryOther() {
    this.busy = true;
    this.refusal = '';
    const answer = await server.post(`/api/projects/${this.project}/closer/try`, { key: this.model.file.key, ask: this.ask });
    this.busy = false;
    if (answer.failed) {
      this.refusal = answer.message;
    } else if (!answer.canShow) {
      this.refusal = `It is made and weighs ${answer.weight}, but no browser shows this format.`;
    } else {
      this.other = { ...answer, ask: this.ask };
    }
  },
  takeAway() { this.other = null; },
  get otherText() { return this.other ? `${this.other.ask} · ${this.other.weight}` : ''; },
  get otherNote() { return this.other?.note ?? ''; },
  get differenceText() {
    if (!this.other) {
      return '';
    }
    const by = this.other.bytes - this.model.file.bytes;
    const weight = this.model.file.isEstimate ? '' : by === 0 ? 'as heavy' : `${Math.round(Math.abs(by) / this.model.file.bytes * 100)} % ${by < 0 ? 'lighter' : 'heavier'}`;
    const { likeness, share, largest } = this.other;
    const looks = likeness === null ? 'cannot be compared pixel by pixel' : largest === 0 ? 'equal in every pixel' : `likeness ${likeness.toFixed(3)}, ${(share * 100).toFixed(1)} % of the pixels visibly differ`;
    return [weight, looks].filter(Boolean).join(' · ');
  },
  dragDivider() {
    const start = this.$event;
    const box = this.$refs.paper.getBoundingClientRect();
    const bar = start.currentTarget;
    bar.setPointerCapture(start.pointerId);
    const move = e => { this.divider = Math.min(100, Math.max(0, (e.clientX - box.left) / box.width * 100)); };
    bar.addEventListener('pointermove', move);
    bar.addEventListener('pointerup', () => bar.removeEventListener('pointermove', move), { once: true });
  },
  dividerKey(event) {
    const by = { ArrowLeft: -2, ArrowRight: 2, Home: -100, End: 100 }[event.key];
    if (by) {
      event.preventDefault();
      this.divider = Math.min(100, Math.max(0, this.divider + by));
    }
  },
});
