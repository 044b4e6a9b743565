// A screen as a page: at any width, beside and over its drawing, with what became what.
import * as server from './server.js';

const steps = [320, 390, 768, 1024, 1440, 1920];
const [least, most] = [320, 1920];
const margin = 24;

export const page = () => ({
  model: server.read('page'),
  views: [{ id: 'clean', name: 'clean', key: '' }, { id: 'placed', name: 'everything placed', key: 'P' }, { id: 'drawn', name: 'as drawn', key: 'D' }, { id: 'over', name: 'over each other', key: 'O' }, { id: 'differs', name: 'what differs', key: 'I' }],
  view_: 'clean',
  width: 0,
  scale: 1,
  at: -1,
  isNumbered: false,
  copied: false,
  refusal: '',

  init() {
    this.width = Math.round(Math.min(most, Math.max(least, this.model.width)));
    const { frame, drawing, room } = this.$refs;
    drawing.src = this.model.drawn;
    this.$refs.besideDrawing.src = this.model.drawn;
    frame.addEventListener('load', () => this.loaded());
    frame.src = `${this.model.at}index.html`;
    new ResizeObserver(() => this.fit()).observe(room);
    // The page runs no scripts of its own; what happens in it is looked at from here.
    this.release = () => removeEventListener('pointermove', this.drag);
    this.drag = event => this.setWidth(Math.round((event.clientX - this.$refs.table.getBoundingClientRect().left - margin) / this.scale));
    addEventListener('pointerup', () => this.release());
  },
  get drawnWidth() { return Math.round(this.model.width); },
  get marks() {
    const drawn = { width: this.drawnWidth, text: `${this.drawnWidth} as drawn`, isDrawn: true };
    return [...steps.filter(s => Math.abs(s - drawn.width) > 2).map(s => ({ width: s, text: `${s}`, isDrawn: false })), drawn].sort((a, b) => a.width - b.width);
  },
  get picked() { return this.model.rows[this.at] ?? null; },
  get isSaid() { return this.picked?.layer !== null && this.picked?.layer !== undefined; },
  get isPicture() { return !!this.picked?.isPicture; },
  get pickedTitle() { return this.picked ? `${this.picked.tag} ${this.picked.selector}` : ''; },
  get pickedWidth() { return this.picked?.width ?? ''; },
  get pickedHref() { return this.picked?.href ?? ''; },
  get pickedAlt() { return (this.picked?.alt ?? '').replaceAll('_', ' '); },
  get source() {
    const row = this.picked;
    if (!row) {
      return '';
    }
    const lines = this.model.html.filter(l => l.layer === row.layer && row.layer !== null).slice(0, 12).map(l => l.text);
    const rules = [];
    for (const name of [row.selector, ...this.classesOf(row)].filter((n, i, all) => n && all.indexOf(n) === i)) {
      const from = this.model.css.findIndex(l => l.text === `${name} {`);
      if (from >= 0) {
        rules.push(this.model.css.slice(from, this.model.css.findIndex((l, i) => i > from && l.text === '}') + 1).map(l => l.text).join('\n'));
      }
    }
    const space = Math.min(...lines.map(l => l.search(/\S/)));
    return [...(lines.length ? [lines.map(l => l.slice(space)).join('\n')] : []), ...rules].join('\n\n');
  },
  classesOf(row) { return [...this.elementsOf(row)].flatMap(e => [...e.classList]).map(c => `.${c}`); },
  elementsOf(row) {
    const inside = this.$refs.frame.contentDocument;
    return row && row.layer !== null && inside ? inside.querySelectorAll(`[data-layer~="${row.layer}"]`) : [];
  },
  place(button, width) { button.style.setProperty('--at', width); },
  indent(row, { depth }) { row.style.setProperty('--depth', Math.min(depth, 8)); },

  fit() {
    const { table, frame, sheet, edge, handle, drawing, room } = this.$refs;
    const space = table.clientWidth - 2 * margin - 12;
    // As large as the widest of both fits; a narrow page is shown at its own size.
    this.scale = Math.min(1, space / Math.max(this.width, this.drawnWidth));
    room.style.setProperty('--scale', this.scale);
    const view = this.view_;
    const isOver = view === 'over' || view === 'differs';
    const width = view === 'clean' ? this.width : this.drawnWidth;
    frame.style.width = `${width}px`;
    const height = view === 'clean' ? Math.max(frame.contentDocument?.body?.scrollHeight || 0, 1) : this.model.height;
    Object.assign(frame.style, { height: `${height}px`, transform: `scale(${this.scale})` });
    Object.assign(sheet.style, { width: `${width * this.scale}px`, height: `${height * this.scale}px` });
    Object.assign(drawing.style, { width: `${this.model.width * this.scale}px`, height: `${this.model.height * this.scale}px` });
    Object.assign(edge.style, { width: `${this.model.width * this.scale}px`, height: `${this.model.height * this.scale}px` });
    edge.hidden = view !== 'clean';
    handle.hidden = view !== 'clean';
    handle.style.left = `${margin + width * this.scale}px`;
    // Where there is room for both, the drawing stands beside its page.
    const { beside, besideDrawing } = this.$refs;
    const from = margin + Math.max(this.width, this.drawnWidth) * this.scale + margin + 4;
    beside.hidden = view !== 'clean' && view !== 'placed' || from + this.model.width * this.scale + 12 > table.clientWidth;
    beside.style.left = `${from}px`;
    Object.assign(besideDrawing.style, { width: `${this.model.width * this.scale}px`, height: `${this.model.height * this.scale}px` });
    frame.hidden = view === 'drawn';
    drawing.hidden = !isOver && view !== 'drawn';
    drawing.classList.toggle('half', view === 'over');
    drawing.classList.toggle('against', view === 'differs');
    // A label that would not fit stands on the other side of its mark.
    for (const mark of room.querySelectorAll('.page-mark')) {
      mark.classList.toggle('before', Number(mark.style.getPropertyValue('--at')) * this.scale > table.clientWidth - 150);
    }
    this.$refs.flag.style.setProperty('--at', width);
    this.lightHere();
    this.number();
  },
  setWidth(width) {
    this.width = Math.max(least, Math.min(most, width));
    if (this.view_ !== 'clean') {
      this.show('clean');
    }
    this.fit();
  },
  show(view) {
    const isPlaced = view === 'placed';
    if (isPlaced !== (this.view_ === 'placed')) {
      this.$refs.frame.src = `${this.model.at}${isPlaced ? 'placed.html' : 'index.html'}`;
    }
    this.view_ = view;
    this.fit();
  },
  loaded() {
    const inside = this.$refs.frame.contentDocument;
    inside.addEventListener('click', event => {
      event.preventDefault();
      this.pickLayer(event.target);
    });
    inside.addEventListener('pointermove', event => this.lightAt(event.target));
    inside.addEventListener('keydown', event => this.key(event));
    inside.fonts.ready.then(() => this.fit());
    this.fit();
  },
  rowOf(element) {
    const layers = element.closest?.('[data-layer]')?.dataset.layer.split(' ') ?? [];
    return this.model.rows.findIndex(r => r.layer !== null && layers.includes(String(r.layer)));
  },
  pickLayer(element) {
    const row = this.rowOf(element);
    if (row >= 0) {
      this.pick(row);
      this.$refs.list.querySelectorAll('.page-row')[row]?.scrollIntoView({ block: 'nearest' });
    }
  },
  pick(row) {
    this.at = this.at === row ? -1 : row;
    this.refusal = '';
    this.$nextTick(() => {
      this.$refs.is.value = this.picked?.as ?? '';
      this.lightHere();
    });
  },
  light(row) { this.show_(this.model.rows[row]); },
  lightAt(element) {
    const row = this.rowOf(element);
    if (row >= 0) {
      this.show_(this.model.rows[row]);
    }
  },
  lightHere() { this.show_(this.picked); },
  show_(row) {
    const { here } = this.$refs;
    const element = this.elementsOf(row)[0];
    here.hidden = !element || this.view_ === 'drawn';
    if (element) {
      const r = element.getBoundingClientRect();
      Object.assign(here.style, { left: `${r.left * this.scale}px`, top: `${r.top * this.scale}px`, width: `${r.width * this.scale}px`, height: `${r.height * this.scale}px` });
    }
  },
  toggleOrder() {
    this.isNumbered = !this.isNumbered;
    this.number();
  },
  number() {
    const { order, frame } = this.$refs;
    order.replaceChildren();
    if (!this.isNumbered || this.view_ !== 'clean' || !frame.contentDocument?.body) {
      return;
    }
    let count = 0;
    for (const element of frame.contentDocument.body.querySelectorAll('h1,h2,h3,h4,p,a,button,img,li,span')) {
      const r = element.getBoundingClientRect();
      if (r.width && (element.localName === 'img' ? element.alt : [...element.childNodes].some(n => n.nodeType === 3 && n.data.trim()))) {
        const mark = document.createElement('li');
        mark.textContent = ++count;
        Object.assign(mark.style, { left: `${r.left * this.scale}px`, top: `${r.top * this.scale}px` });
        order.append(mark);
      }
    }
  },
  grab(event) {
    event.preventDefault();
    // Over the frame the pointer would be the frame's.
    this.$refs.frame.style.pointerEvents = 'none';
    addEventListener('pointermove', this.drag);
    addEventListener('pointerup', () => { this.$refs.frame.style.pointerEvents = ''; }, { once: true });
  },
  nudge(event) {
    const by = { ArrowLeft: -1, ArrowRight: 1, PageDown: -50, PageUp: 50 }[event.key];
    if (by) {
      event.preventDefault();
      event.stopPropagation();
      this.setWidth(this.width + by * (event.shiftKey ? 10 : 1));
    }
  },
  key(event) {
    if (event.ctrlKey || event.metaKey || event.altKey || event.target.closest?.('dialog, input, select, textarea, .page-handle')) {
      return;
    }
    const views = { o: 'over', i: 'differs', d: 'drawn', p: 'placed' };
    const key = event.key.toLowerCase();
    const all = this.marks.map(m => m.width);
    if (key === 'arrowleft' || key === 'arrowright') {
      event.preventDefault();
      const next = key === 'arrowright' ? all.find(w => w > this.width) : all.findLast(w => w < this.width);
      this.setWidth(next ?? this.width);
    } else if (views[key]) {
      this.show(this.view_ === views[key] ? 'clean' : views[key]);
    } else if (key === 'r') {
      this.toggleOrder();
    } else if (key === 'c' && this.picked) {
      this.copy();
    } else if (key === 'escape') {
      this.pick(-1);
    }
  },
  async copy() {
    try {
      await navigator.clipboard.writeText(this.source);
      this.copied = true;
    } catch {
      // Without a secure connection browsers keep the clipboard to themselves: what is marked can be copied by hand.
      getSelection().selectAllChildren(this.$root.querySelector('.page-source pre'));
    }
  },
  // What is said of a layer is a word on its tag line.
  async say(what, value) {
    const word = value.trim().replace(/\s+/g, '_');
    const before = this.picked[what === 'width' ? 'width' : what];
    const tags = what === 'width' ? word || (before ? `-${before}` : '') : word ? `${what}:${word}` : `-${what}`;
    if (!tags) {
      return;
    }
    const answer = await server.post(`/api/projects/${this.$root.dataset.project}/edit`, { design: this.model.design, screen: this.model.screen, layers: [this.picked.layer], tags });
    this.refusal = answer.failed ? answer.message : answer.mistakes.join(' ');
    if (!answer.failed && !this.refusal) {
      await this.renew();
    }
  },
  async renew() {
    const { layer } = this.picked ?? {};
    const model = await server.get(`/api/projects/${this.$root.dataset.project}/page/${this.model.design}/${this.model.screen}`);
    if (!model.failed) {
      this.model = model;
      this.at = model.rows.findIndex(r => r.layer === layer && layer !== undefined);
      this.$refs.frame.contentDocument.location.reload();
    }
  },
  async addToPack() {
    const answer = await server.post(`/api/projects/${this.$root.dataset.project}/platforms`, { platform: 'page', on: true });
    this.refusal = answer.failed ? answer.message : '';
    this.model.isInPack = !answer.failed;
  },
});
