// A plate and its key: picking a number or a place, what is told of it, measuring, the grid, what nobody gets.
import * as server from '../server.js';
import { asking } from './asking.js';
import { fill } from './detail.js';
import { marks } from './marks.js';

const grids = [0, 4, 8];
// Which platform's files go with a language.
const platformOf = { html: 'web', css: 'web', swiftui: 'apple', uikit: 'apple', compose: 'android', android: 'android', xaml: 'windows', flutter: 'flutter' };
const remembered = 'kalypto-language';

export const plate = () => ({
  ...asking,
  model: server.read('plate'),
  show: 'all',
  here: null,
  detail: null,
  language: localStorage.getItem(remembered) ?? '',
  isMeasuring: false,
  measureText: '',
  grid: 0,
  isMissing: false,
  said: '',

  init() {
    this.model.rows.forEach(row => { row.area = row.places.length ? row.places[0][2] * row.places[0][3] : Infinity; });
    this.$root.querySelectorAll('svg.plate').forEach(svg => svg.addEventListener('click', event => this.pickAt(svg, event)));
    this.initAsking();
    this.apply();
    const asked = location.hash.match(/^#n(\d+)$/);
    if (asked) {
      this.pick(Number(asked[1]));
    }
  },
  get api() { const m = this.model; return `/api/projects/${m.project}/deliveries/${m.number}/plates/${m.design}/${m.screen}`; },
  // ---- what is numbered
  isShown(row) { return this.show === 'all' || (this.show === 'new' ? row.isNew : this.show === 'code' ? row.kind !== 'picture' : row.kind === this.show); },
  get shownRows() { return this.model.rows.filter(r => this.isShown(r)); },
  get isEmpty() { return this.model.rows.length > 0 && this.shownRows.length === 0; },
  isShow(button) { return this.show === button.dataset.show; },
  setShow(button) {
    this.show = button.dataset.show;
    this.apply();
  },
  apply() {
    const root = this.$root;
    root.querySelectorAll('.plate-pins').forEach(g => g.classList.toggle('shown', g.dataset.show === this.show));
    const shown = new Set(this.shownRows.map(r => r.number));
    root.querySelectorAll('.pin-row').forEach(row => { row.hidden = !shown.has(Number(row.dataset.number)); });
    root.querySelectorAll('.key-side h2[data-part]').forEach(h => { h.hidden = !this.shownRows.some(r => r.kind === h.dataset.part); });
    this.mark();
  },
  // ---- picking
  rowOf(number) { return this.model.rows.find(r => r.number === number); },
  elementOf(number) { return this.$root.querySelector(`.pin-row[data-number="${number}"]`); },
  pickRow(button) {
    const number = Number(button.closest('.pin-row').dataset.number);
    this.pick(this.here === number && !this.isMeasuring ? null : number);
  },
  pickAt(svg, event) {
    const pin = event.target.closest('.pin');
    if (pin && !this.isPointing) {
      this.pick(Number(pin.dataset.number));
      return;
    }
    const point = new DOMPoint(event.clientX, event.clientY).matrixTransform(svg.getScreenCTM().inverse());
    const scale = Number(svg.dataset.scale);
    const [x, y] = [point.x / scale, point.y / scale];
    if (this.isPointing) {
      this.point = [Math.round(x), Math.round(y)];
      this.mark();
      this.$refs.words.focus();
      return;
    }
    // The smallest of all that lies there is what one means.
    const under = this.shownRows.filter(r => r.places.some(([l, t, w, h]) => x >= l && x <= l + w && y >= t && y <= t + h)).sort((a, b) => a.area - b.area);
    if (under.length) {
      this.pick(under[0].number);
    }
  },
  async pick(number) {
    if (this.isMeasuring && this.here && number && number !== this.here) {
      await this.measure(number);
      return;
    }
    this.$root.querySelectorAll('.pin-row.here').forEach(row => {
      row.classList.remove('here');
      row.querySelector('.pin-head').setAttribute('aria-expanded', 'false');
      row.querySelector('.pin-more').replaceChildren();
    });
    this.here = number;
    this.detail = null;
    this.measureText = '';
    this.mark();
    const row = number && this.rowOf(number);
    if (!row) {
      return;
    }
    if (!this.isShown(row)) {
      this.show = 'all';
      this.apply();
    }
    const element = this.elementOf(number);
    element.classList.add('here');
    element.querySelector('.pin-head').setAttribute('aria-expanded', 'true');
    element.scrollIntoView({ block: 'nearest' });
    history.replaceState(null, '', `#n${number}`);
    const detail = await server.get(`${this.api}/${row.layer}`);
    if (this.here === number) {
      if (detail.failed) {
        this.said = detail.message;
        return;
      }
      this.detail = detail;
      this.render();
      element.scrollIntoView({ block: 'nearest' });
    }
  },
  render() {
    const codes = this.detail.codes;
    const code = codes.find(c => c.id === this.language) ?? codes[0];
    const element = this.elementOf(this.here);
    const content = fill(this.$root.querySelector('#pin-template').content.cloneNode(true), this.detail, code, {
      language: id => {
        this.language = id;
        localStorage.setItem(remembered, id);
        this.render();
        element.querySelector('[data-list="tabs"] [aria-pressed="true"]')?.focus();
      },
      go: number => this.pick(number),
      copy: what => this.copy(what === 'words' ? this.detail.words : code.code),
    });
    this.fillAsked(content, this.rowOf(this.here));
    element.querySelector('.pin-more').replaceChildren(content);
  },
  async copy(text) {
    try {
      await navigator.clipboard.writeText(text);
      this.said = 'Copied.';
    } catch {
      // Without a secure connection browsers keep the clipboard to themselves: what is marked can be copied by hand.
      const code = this.elementOf(this.here).querySelector('.pin-code, .pin-words pre');
      getSelection().selectAllChildren(code);
      this.said = 'It is marked: copy it with your own keys.';
    }
  },
  // ---- on the picture
  mark() {
    const row = this.here && this.rowOf(this.here);
    this.$root.querySelectorAll('svg.plate').forEach(svg => marks(svg, row ? row.places : [], this.between, this.point));
    this.$root.querySelectorAll('.pin').forEach(pin => pin.classList.toggle('here', Number(pin.dataset.number) === this.here));
  },
  between: null,
  toggleMeasuring() {
    this.isMeasuring = !this.isMeasuring;
    this.between = null;
    this.measureText = this.isMeasuring ? (this.here ? 'Pick a second one.' : 'Pick one, then a second one.') : '';
    this.mark();
  },
  async measure(number) {
    const [from, to] = [this.rowOf(this.here), this.rowOf(number)];
    if (!from.places.length || !to.places.length) {
      this.measureText = 'It is not seen on the screen.';
      return;
    }
    const gap = await server.get(`${this.api}/between?from=${from.layer}&to=${to.layer}`);
    if (gap.failed) {
      this.measureText = gap.message;
      return;
    }
    this.between = [from.places[0], to.places[0]];
    this.measureText = `${from.number} to ${to.number}: ${gap.text} (pt)`;
    this.mark();
  },
  nextGrid() {
    this.grid = grids[(grids.indexOf(this.grid) + 1) % grids.length];
    this.$root.querySelectorAll('.plate-grid').forEach(rect => rect.setAttribute('fill', this.grid ? `url(#grid-${rect.dataset.grid}-${this.grid})` : 'none'));
  },
  get platform() { return this.model.platforms.find(p => p.id === platformOf[this.language]); },
  get zipHref() { return `/projects/${this.model.project}/builds/${this.model.build}.zip${this.platform ? `?platform=${this.platform.id}` : ''}`; },
  get zipText() { return this.platform ? `Download for ${this.platform.name}` : 'Download all files'; },
  get isSeen() { return this.asked.mine === 'seen'; },
  get isAgreed() { return this.asked.mine === 'agreed'; },
  get screenQuestions() { return this.asked.questions.filter(q => q.layer < 0); },
  get pointText() { return this.point ? `at ${this.point.join(', ')}` : this.isPointing ? 'pick the point on the plate' : 'at a point'; },
  get gridText() { return this.grid ? `grid of ${this.grid} pt` : 'no grid'; },
  get hasMissing() { return !!this.$root.querySelector('.plate-missing rect'); },
  toggleMissing() {
    this.isMissing = !this.isMissing;
    this.$root.classList.toggle('missing', this.isMissing);
  },
  // ---- keys
  step(by) {
    const rows = this.inKeyOrder;
    const at = rows.findIndex(r => r.number === this.here);
    const next = rows[Math.max(0, Math.min(rows.length - 1, at + by))];
    if (next && next.number !== this.here) {
      this.pick(next.number);
    }
  },
  get inKeyOrder() { return ['picture', 'box', 'words'].flatMap(kind => this.shownRows.filter(r => r.kind === kind)); },
  key(event) {
    if (event.target.matches('input, select, textarea') || event.ctrlKey || event.metaKey || event.altKey) {
      return;
    }
    const act = {
      ArrowDown: () => this.step(1), ArrowUp: () => this.step(-1), m: () => this.toggleMeasuring(), r: () => this.nextGrid(), u: () => this.hasMissing && this.toggleMissing(),
      a: () => this.$root.querySelector(this.here ? '.pin-row.here form.ask select' : '.screen-asked input')?.focus(), c: () => this.detail && this.$root.querySelector('.pin-row.here [data-copy="code"]')?.click(), Escape: () => this.pick(null),
      ']': () => this.turn(1), '[': () => this.turn(-1),
    }[event.key];
    if (act) {
      event.preventDefault();
      act();
    }
  },
  turn(by) {
    const at = this.model.screens.indexOf(location.pathname);
    const next = this.model.screens[at + by];
    if (next) {
      location.href = next;
    }
  },
});
