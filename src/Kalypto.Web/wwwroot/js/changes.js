// A draft against another one: what changed, what is to say, and the pictures over each other.
import * as server from './server.js';
import { count } from './words.js';

const groups = [
  ['asked', 'to say', 'To say first', 'nothing was carried over for these'],
  ['changed', 'changed', 'Drawn otherwise', 'decision, name and tags carried over'],
  ['moved', 'moved', 'Moved', 'decision, name and tags carried over'],
  ['renamed', 'renamed', 'Renamed in the drawing', 'files keep their names'],
  ['new', 'new', 'New', 'nothing is said of them yet'],
  ['gone', 'gone', 'Gone', 'kept in case they come back'],
  ['likely', 'likely', 'Likely the same', 'carried over; look whether that is right'],
];
const most = 120;

export const changes = () => ({
  model: server.read('changes'),
  only: '',
  here: '',
  screen: 0,
  cut: 50,
  pulling: false,
  more: {},
  message: '',

  // As the page says: a row that was pressed may be gone when its answer comes, and with it the way to the page's own element.
  project: 0,
  design: 0,

  init() {
    ({ project: this.project, design: this.design } = this.$root.dataset);
    server.onChanged(this.project, () => this.refresh());
    const first = this.model.rows[0];
    if (first) {
      this.here = first.key;
      this.screen = Math.max(0, first.screen);
    }
  },
  get path() { return `/api/projects/${this.project}/designs/${this.design}`; },
  async refresh() {
    const model = await server.get(`${this.path}/changes${this.with ? `?with=${this.with}` : ''}`);
    if (!model.failed) {
      this.model = model;
      this.screen = Math.min(this.screen, Math.max(0, model.screens.length - 1));
    }
  },
  get with() { return new URLSearchParams(location.search).get('with'); },

  // ---- the ledger
  get sums() {
    return groups.map(([group, words]) => ({ group, words, count: this.of(group).length })).filter(s => s.count);
  },
  of(group) { return this.model.rows.filter(r => r.group === group); },
  get asked() { return this.of('asked'); },
  get parts() {
    return groups.filter(([group]) => !this.only || this.only === group).map(([group, , title, note]) => {
      const rows = this.of(group);
      const shown = this.more[group] ? rows : rows.slice(0, most);
      return { group, title, note, rows: shown, more: rows.length - shown.length };
    }).filter(p => p.rows.length);
  },
  get shownRows() { return this.parts.flatMap(p => p.rows); },
  show(group) { this.only = this.only === group ? '' : group; },
  showMore() { this.more = Object.fromEntries(groups.map(([group]) => [group, true])); },
  isHere(row) { return row.key === this.here; },
  get row() { return this.model.rows.find(r => r.key === this.here); },
  go(row) {
    this.here = row.key;
    if (row.screen >= 0) {
      this.screen = row.screen;
    }
    this.$nextTick(() => document.querySelector(`.change[data-key="${row.key}"]`)?.scrollIntoView({ block: 'nearest' }));
  },
  step(by) {
    const rows = this.shownRows;
    const at = rows.findIndex(r => this.isHere(r));
    const next = rows[Math.max(0, Math.min(rows.length - 1, at + by))];
    if (next) {
      this.go(next);
    }
  },
  countOf(move) { return count(move.files, 'file'); },
  sayNext() { this.go(this.asked[0]); this.$refs.ledger.focus(); },
  get emptyText() { return this.model.against ? 'Nothing is different.' : 'This is the first draft. Drop a newer file of the same name on Screens, and what it changes is told here.'; },
  get sumText() {
    return this.model.against ? `${count(this.model.rows.length, 'thing')} to look at · ${this.model.same} the same` : '';
  },
  cameBy(draft) { return `${new Date(draft.when).toLocaleString([], { dateStyle: 'medium', timeStyle: 'short' })}${draft.who ? ` · ${draft.who}` : ''}`; },

  // ---- what people say
  async say(end, body, base = this.path) {
    const answer = await server.post(`${base}/${end}`, body);
    this.message = answer.failed ? answer.message : answer.done ?? '';
    return !answer.failed;
  },
  async answer(row, same) {
    const rows = this.shownRows;
    const next = rows[rows.findIndex(r => r.key === row.key) + 1];
    if (await this.say('pairs', { same: { [row.layer]: same } })) {
      await this.refresh();
      const left = this.asked[0] ?? this.model.rows.find(r => r.key === next?.key) ?? this.model.rows[0];
      if (left) {
        this.go(left);
      }
    }
  },
  same(row) { return this.answer(row, true); },
  another(row) { return this.answer(row, false); },
  // What is new and not decided on could be what is gone, on the same screen first.
  candidatesOf(row) {
    const fresh = this.of('new').filter(r => r.decision === 'Open');
    return [...fresh.filter(r => r.screen === row.screen), ...fresh.filter(r => r.screen !== row.screen)].slice(0, most);
  },
  async give(row, select) {
    const layer = Number(select.value);
    select.value = '';
    if (layer && await this.say('given', { layer, lineage: row.lineage })) {
      await this.refresh();
    }
  },
  async takeName(row) {
    if (await this.say('names', { layer: row.layer })) {
      this.refresh();
    }
  },
  async hold(draft) {
    if (await this.say('held', { draft: draft.id })) {
      location.href = location.pathname;
    }
  },
  back() { return this.hold({ id: this.model.againstId }); },
  compareWith(draft) { location.href = `${location.pathname}?with=${draft.id}`; },
  async apart() {
    if (await this.say('apart')) {
      location.href = `/projects/${this.project}`;
    }
  },
  async undo() {
    if (await this.say('undo', {}, `/api/projects/${this.project}`)) {
      const were = this.asked.length;
      await this.refresh();
      if (this.asked.length > were) {
        this.go(this.asked[0]);
      }
    }
  },
  key(event) {
    if (event.target.matches('input, select, textarea') || event.ctrlKey || event.metaKey || event.altKey) {
      return;
    }
    const { row } = this;
    const act = {
      ArrowDown: () => this.step(1),
      ArrowUp: () => this.step(-1),
      ArrowRight: () => this.turnScreen(1),
      ArrowLeft: () => this.turnScreen(-1),
      '.': () => this.step(1),
      y: () => row?.group === 'asked' && this.same(row),
      x: () => row?.group === 'asked' && this.another(row),
      n: () => row?.newName && this.takeName(row),
      z: () => this.undo(),
      Enter: () => !event.target.closest('button, a, summary') && row?.link && location.assign(row.link),
    }[event.key];
    if (act && !(event.key === 'Enter' && event.target.closest('button, a, summary'))) {
      event.preventDefault();
      act();
    }
  },

  // ---- the pictures
  get shown() { return this.model.screens[this.screen]; },
  get isBoth() { return !!(this.shown?.before && this.shown?.now); },
  get marked() { return this.model.rows.filter(r => r.screen === this.screen && r.box && r.group !== 'likely').slice(0, most); },
  get differText() {
    const { length } = this.marked;
    return this.shown.before ? this.shown.now ? `${length ? count(length, 'place') : 'No place'} differ${length === 1 ? 's' : ''} on this screen` : 'This screen is gone.' : 'This screen is new.';
  },
  optionOf(screen, at) {
    const n = this.model.rows.filter(r => r.screen === at && r.group !== 'likely').length;
    return n ? `${screen.name} (${n})` : screen.name;
  },
  turnScreen(by) { this.screen = Math.max(0, Math.min(this.model.screens.length - 1, this.screen + by)); },
  get sheetStyle() { return { aspectRatio: `${this.shown.width} / ${this.shown.height}`, width: `min(100%, calc((100vh - 290px) * ${this.shown.width / this.shown.height}))` }; },
  get cutStyle() { return { clipPath: this.isBoth ? `inset(0 ${100 - this.cut}% 0 0)` : 'none' }; },
  get lineStyle() { return { left: `${this.cut}%` }; },
  boxStyle(row) {
    const [x, y, w, h] = row.box.map(n => n * 100);
    return { left: `${x}%`, top: `${y}%`, width: `${w}%`, height: `${h}%` };
  },
  grip(event) {
    if (event.target.closest('.over-line')) {
      this.pulling = true;
      event.currentTarget.setPointerCapture(event.pointerId);
    }
  },
  pull(event) {
    if (this.pulling) {
      const box = event.currentTarget.getBoundingClientRect();
      this.cut = Math.round(Math.max(0, Math.min(1, (event.clientX - box.left) / box.width)) * 100);
    }
  },
  letGo() { this.pulling = false; },
});
