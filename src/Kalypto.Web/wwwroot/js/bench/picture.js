// The picture: lenses, zoom and pan, boxes and distances, picking. One canvas over the image shows all marks.
{
  const ink = '#1c2a33';
  const deep = '#173a45';
  const ship = '#8fe0b5';
  const coral = '#b8402a';
  const paper = 'rgb(247 244 236 / 82%)';
  const space = 12;
  const smallest = 0.02;
  const largest = 40;

  const hatch = (() => {
    const tile = document.createElement('canvas');
    tile.width = tile.height = 8;
    const g = tile.getContext('2d');
    g.strokeStyle = 'rgb(232 196 138 / 75%)';
    g.lineWidth = 2;
    [[-2, 2, 2, -2], [0, 8, 8, 0], [6, 10, 10, 6]].forEach(([a, b, c, d]) => { g.beginPath(); g.moveTo(a, b); g.lineTo(c, d); g.stroke(); });
    return tile;
  })();

  // An open layer without others in it; what lies behind the whole screen would light all of it.
  const waitsHere = (row, whole) => row.decision === 'open' && !row.coveredBy && !row.hasChildren && row.box[2] * row.box[3] < 0.8 * whole;

  window.benchParts.push({
    lens: 'whole',
    crops: false,
    inkShown: false,
    view: { scale: 1, x: 0, y: 0 },
    stage: { width: 400, height: 500 },
    band: null,
    down: null,
    fingers: {},
    fitted: true,

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
      Alpine.effect(() => this.draw());
    },
    get size() {
      const [, , width, height] = this.model.screen.box;
      return { width, height };
    },
    // ---- view
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
    setLens(lens) {
      this.lens = lens;
    },
    toggleCrops() {
      this.crops = !this.crops;
    },
    toggleInk() {
      this.inkShown = !this.inkShown;
    },
    // ---- marks
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
      const seen = rows.filter(r => !r.hidden && (r.decision === 'ship' || (r.decision === 'code' && lens === 'whole') || (lens === 'open' && waits(r)) || (inkShown && r.ink)));
      if (lens !== 'whole') {
        const lit = seen.filter(r => lens === 'ships' ? r.decision === 'ship' : waits(r));
        g.fillStyle = paper;
        g.fillRect(...place([0, 0, this.size.width, this.size.height]));
        lit.forEach(r => g.clearRect(...place(r.box)));
      }
      for (const row of seen) {
        const at = place(row.box);
        if (row.decision === 'ship' && lens !== 'open') {
          g.lineWidth = 3;
          g.strokeStyle = 'rgb(23 58 69 / 55%)';
          g.strokeRect(...at);
          g.lineWidth = 1.5;
          g.strokeStyle = ship;
          g.strokeRect(...at);
          if (crops) {
            this.label(g, row.size, at[0], at[1] - 16, deep);
          }
        } else if (row.decision === 'code' && lens === 'whole') {
          g.fillStyle = g.createPattern(hatch, 'repeat');
          g.globalAlpha = 0.55;
          g.fillRect(...at);
          g.globalAlpha = 1;
        } else if (lens === 'open' && waits(row)) {
          g.setLineDash([1, 3]);
          g.lineWidth = 1.5;
          g.strokeStyle = ink;
          g.strokeRect(...at);
          g.setLineDash([]);
        }
        if (inkShown && row.ink) {
          g.lineWidth = 1;
          g.strokeStyle = coral;
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
        g.strokeStyle = deep;
        g.strokeRect(...at);
        g.setLineDash([4, 3]);
        g.lineWidth = 1.5;
        g.strokeStyle = '#fff';
        g.strokeRect(...at);
        g.setLineDash([]);
        if (chosen.length <= 4) {
          this.label(g, row.size, at[0] - 1, Math.min(at[1] + at[3], this.stage.height - 18), deep);
        }
      }
      if (chosen.length === 2) {
        this.distances(g, chosen[0].box, chosen[1].box, place);
      }
      if (this.band) {
        g.fillStyle = 'rgb(143 224 181 / 25%)';
        g.fillRect(...place(this.band));
        g.lineWidth = 1;
        g.setLineDash([4, 3]);
        g.strokeStyle = deep;
        g.strokeRect(...place(this.band));
        g.setLineDash([]);
      }
    },
    label(g, text, x, y, colour) {
      g.font = '11px "Atkinson Mono", monospace';
      const width = g.measureText(text).width + 8;
      g.fillStyle = colour;
      g.fillRect(x, y, width, 16);
      g.fillStyle = '#fff';
      g.fillText(text, x + 4, y + 12);
    },
    // How far apart two picked layers are, across and down.
    distances(g, a, b, place) {
      const gap = (from, length, other, otherLength) => other >= from + length ? [from + length, other] : from >= other + otherLength ? [other + otherLength, from] : null;
      const across = gap(a[0], a[2], b[0], b[2]);
      const down = gap(a[1], a[3], b[1], b[3]);
      const middle = (from, length, other, otherLength) => {
        const [low, high] = [Math.max(from, other), Math.min(from + length, other + otherLength)];
        return high > low ? (low + high) / 2 : from + length / 2;
      };
      g.strokeStyle = coral;
      g.lineWidth = 1.5;
      const line = (x1, y1, x2, y2, length) => {
        const [px, py] = place([x1, y1, 0, 0]);
        const [qx, qy] = place([x2, y2, 0, 0]);
        g.beginPath();
        g.moveTo(px, py);
        g.lineTo(qx, qy);
        g.stroke();
        this.label(g, String(Math.round(length * 10) / 10), (px + qx) / 2 + 4, (py + qy) / 2 - 8, coral);
      };
      if (across) {
        const y = middle(a[1], a[3], b[1], b[3]);
        line(across[0], y, across[1], y, across[1] - across[0]);
      }
      if (down) {
        const x = middle(a[0], a[2], b[0], b[2]);
        line(x, down[0], x, down[1], down[1] - down[0]);
      }
    },
    // ---- pointer: picks, draws a rectangle to pick many, pans with the middle button or two fingers
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
  });
}
