// The picture: lenses and marks. One canvas over the image shows all of them.
import { effect } from '../start.js';
import { colours, distances, hatch, label } from './ink.js';

// An open layer without others in it; what lies behind the whole screen would light all of it.
const waitsHere = (row, whole) => row.decision === 'open' && !row.coveredBy && !row.hasChildren && row.box[2] * row.box[3] < 0.8 * whole;

export const picture = {
  lens: 'whole',
  crops: false,
  inkShown: false,
  marks: { address: '', image: null },

  startPicture() {
    const stage = this.$refs.stage;
    const measure = () => {
      this.stage = { width: stage.clientWidth, height: stage.clientHeight };
      if (this.fitted) {
        this.fit();
      }
    };
    new ResizeObserver(measure).observe(stage);
    measure();
    stage.addEventListener('wheel', e => this.wheel(e), { passive: false });
    effect(() => this.draw());
  },
  get size() {
    const [, , width, height] = this.model.screen.box;
    return { width, height };
  },
  get marksThere() {
    return Boolean(this.model.proof?.marks);
  },
  setLens(lens) {
    if (lens !== 'other' || this.marksThere) {
      this.lens = lens;
    }
  },
  // What is other comes as a picture, fetched when it is looked at.
  marksImage() {
    const address = this.model.proof?.marks;
    if (address && this.marks.address !== address) {
      this.marks = { address, image: null };
      const image = new Image();
      image.onload = () => { this.marks = { address, image }; };
      image.src = address;
    }
    return address ? this.marks.image : null;
  },
  toggleCrops() {
    this.crops = !this.crops;
  },
  toggleInk() {
    this.inkShown = !this.inkShown;
  },
  draw() {
    const canvas = this.$refs.marks;
    const ratio = window.devicePixelRatio || 1;
    const [width, height] = [Math.round(this.stage.width * ratio), Math.round(this.stage.height * ratio)];
    if (canvas.width !== width || canvas.height !== height) {
      canvas.width = width;
      canvas.height = height;
    }
    const g = canvas.getContext('2d');
    const { scale, x, y } = this.view;
    g.setTransform(ratio, 0, 0, ratio, 0, 0);
    g.clearRect(0, 0, this.stage.width, this.stage.height);
    const place = box => [box[0] * scale + x, box[1] * scale + y, box[2] * scale, box[3] * scale];
    const { lens, crops, inkShown } = this;
    const whole = this.size.width * this.size.height;
    const waits = row => waitsHere(row, whole);
    const rows = this.allRows.filter(r => r.box && r.depth > 0);
    // Most layers of a large screen show nothing: only those that do are gone through.
    const seen = rows.filter(r => !r.hidden && (r.decision === 'ship' || (r.decision === 'code' && lens === 'whole') || (lens === 'open' && waits(r)) || (lens === 'nobody' && r.nobody) || (inkShown && r.ink)));
    if (lens !== 'whole') {
      const lit = lens === 'other' ? [] : seen.filter(r => lens === 'ships' ? r.decision === 'ship' : lens === 'nobody' ? r.nobody : waits(r));
      g.fillStyle = colours.dim;
      g.fillRect(...place([0, 0, this.size.width, this.size.height]));
      lit.forEach(r => g.clearRect(...place(r.box)));
    }
    if (lens === 'other' && this.marksImage()) {
      g.save();
      g.beginPath();
      g.rect(...place([0, 0, this.size.width, this.size.height]));
      g.clip();
      g.drawImage(this.marksImage(), ...place(this.model.proof.box));
      g.restore();
    }
    for (const row of lens === 'other' ? [] : seen) {
      const at = place(row.box);
      if (row.decision === 'ship' && lens !== 'open' && lens !== 'nobody') {
        g.lineWidth = 3;
        g.strokeStyle = colours.shade;
        g.strokeRect(...at);
        g.lineWidth = 1.5;
        g.strokeStyle = colours.ship;
        g.strokeRect(...at);
        if (crops) {
          label(g, row.size, at[0], at[1] - 16, colours.deep);
        }
      } else if (row.decision === 'code' && lens === 'whole') {
        g.fillStyle = g.createPattern(hatch, 'repeat');
        g.globalAlpha = 0.55;
        g.fillRect(...at);
        g.globalAlpha = 1;
      } else if (lens === 'nobody' && row.nobody) {
        g.setLineDash([5, 3]);
        g.lineWidth = 2;
        g.strokeStyle = colours.coral;
        g.strokeRect(...at);
        g.setLineDash([]);
      } else if (lens === 'open' && waits(row)) {
        g.setLineDash([1, 3]);
        g.lineWidth = 1.5;
        g.strokeStyle = colours.ink;
        g.strokeRect(...at);
        g.setLineDash([]);
      }
      if (inkShown && row.ink) {
        g.lineWidth = 1;
        g.strokeStyle = colours.coral;
        g.strokeRect(...place(row.ink));
      }
    }
    const picked = new Set(this.targets);
    const chosen = rows.filter(r => picked.has(r.ordinal));
    for (const row of chosen) {
      // A little outside, so that what is small stays to be seen.
      const [x1, y1, w1, h1] = place(row.box);
      const at = [x1 - 2, y1 - 2, w1 + 4, h1 + 4];
      g.lineWidth = 3.5;
      g.strokeStyle = colours.deep;
      g.strokeRect(...at);
      g.setLineDash([4, 3]);
      g.lineWidth = 1.5;
      g.strokeStyle = colours.bright;
      g.strokeRect(...at);
      g.setLineDash([]);
      if (chosen.length <= 4) {
        label(g, row.size, at[0] - 1, Math.min(at[1] + at[3], this.stage.height - 18), colours.deep);
      }
    }
    if (chosen.length === 2) {
      distances(g, chosen[0].box, chosen[1].box, place);
    }
    if (this.band) {
      g.fillStyle = colours.band;
      g.fillRect(...place(this.band));
      g.lineWidth = 1;
      g.setLineDash([4, 3]);
      g.strokeStyle = colours.deep;
      g.strokeRect(...place(this.band));
      g.setLineDash([]);
    }
  },
};
