// One delivery beside another: every file as list or as pictures, and the two pictures of one beside or over each other.
import * as server from './server.js';
import { count } from './words.js';

const kinds = [['new', 'new'], ['changed', 'changed'], ['renamed', 'renamed'], ['moved', 'moved'], ['gone', 'gone'], ['same', 'the same']];
const most = 150;

export const delivery = () => ({
  model: server.read('delivery'),
  only: '',
  search: '',
  platform: '',
  screen: '',
  asCards: localStorage.getItem('kalypto-delivery') === 'cards',
  isOver: false,
  cut: 50,
  here: '',
  difference: '',
  refusal: '',
  all: false,

  init() {
    const first = this.filtered.find(f => f.what.length && f.now) ?? this.filtered.find(f => f.what.length) ?? this.filtered.find(f => f.now) ?? this.filtered[0];
    if (first) {
      this.go(first);
    }
  },
  get api() { return `/api/projects/${this.$root.dataset.project}/deliveries/${this.model.number}`; },
  get others() { return this.model.numbers.filter(n => n !== this.model.number); },
  compareWith(event) { location.href = `${location.pathname}?with=${event.target.value}`; },
  // ---- the files
  is(file, what) { return what === 'same' ? !file.what.length : file.what.includes(what); },
  isGone(row) { return row.what.includes('gone'); },
  isOther(row) { return row.what.includes('changed') || row.what.includes('gone'); },
  get sums() { return !this.model.against ? [] : kinds.map(([what, words]) => ({ what, words, count: this.model.files.filter(f => this.is(f, what)).length })).filter(s => s.count); },
  get differing() { return this.model.against && this.model.files.some(f => f.what.length); },
  get platforms() { return [...new Set(this.model.files.map(f => f.platform).filter(Boolean))].sort(); },
  get screens() { return [...new Set(this.model.files.map(f => f.screen).filter(Boolean))].sort(); },
  get filtered() {
    const words = this.search.toLowerCase().trim();
    return this.model.files.filter(f => (!this.only || this.is(f, this.only)) && (!this.platform || f.platform === this.platform) && (!this.screen || f.screen === this.screen)
      && `${f.path} ${f.layer} ${f.kind} ${f.screen} ${f.wasAt ?? ''}`.toLowerCase().includes(words));
  },
  // What is different first.
  get sorted() { return [...this.filtered].sort((a, b) => (b.what.length > 0) - (a.what.length > 0)); },
  get shown() { return this.all ? this.sorted : this.sorted.slice(0, most); },
  get more() { return this.filtered.length - this.shown.length; },
  showMore() { this.all = true; },
  show(what) { this.only = this.only === what ? '' : what; },
  showCards() { this.asCards = true; localStorage.setItem('kalypto-delivery', 'cards'); },
  showList() { this.asCards = false; localStorage.setItem('kalypto-delivery', 'list'); },
  showOver() { this.isOver = true; },
  showBeside() { this.isOver = false; },
  isHere(row) { return row.identity === this.here; },
  get file() { return this.model.files.find(f => f.identity === this.here); },
  get isBoth() { return !!(this.file?.before && this.file?.now && this.isOther(this.file)); },
  get cutStyle() { return { clipPath: `inset(0 ${100 - this.cut}% 0 0)` }; },
  async go(row) {
    this.here = row.identity;
    this.difference = '';
    this.$nextTick(() => document.querySelector(`.change[data-key="${CSS.escape(row.identity)}"]`)?.scrollIntoView({ block: 'nearest' }));
    if (this.model.against && row.what.includes('changed')) {
      const answer = await server.get(`${this.api}/difference?with=${this.model.against}&identity=${encodeURIComponent(row.identity)}`);
      if (this.here === row.identity && !answer.failed) {
        this.difference = answer.text;
      }
    }
  },
  step(by) {
    const rows = this.shown;
    const next = rows[Math.max(0, Math.min(rows.length - 1, rows.findIndex(r => this.isHere(r)) + by))];
    if (next) {
      this.go(next);
    }
  },
  key(event) {
    if (event.target.matches('input, select, textarea') || event.ctrlKey || event.metaKey || event.altKey) {
      return;
    }
    const act = { ArrowDown: () => this.step(1), ArrowUp: () => this.step(-1), o: () => { this.isOver = !this.isOver; } }[event.key];
    if (act) {
      event.preventDefault();
      act();
    }
  },
  // ---- words
  wordsOf(row) { return [row.wasAt && `was ${row.wasAt}`, row.layer && `${row.kind} ${row.layer}`, row.screen, row.heavier].filter(Boolean).join(' · '); },
  factsOf(file) { return [file.size && `${file.size} px`, file.weight, file.heavier].filter(Boolean).join(' · '); },
  get emptyText() { return this.model.against && !this.differing && this.only ? 'Nothing differs.' : 'No file matches.'; },
  get sumText() {
    const { model } = this;
    return model.against ? `${model.sum} · ${this.differing ? `${count(model.files.filter(f => f.what.length).length, 'file')} differ from delivery ${model.against}` : `nothing differs from delivery ${model.against}`}` : model.sum;
  },
  get platesHref() { return `/projects/${this.$root.dataset.project}/deliveries/${this.model.number}/plates`; },
  get wholeHref() { return `/projects/${this.$root.dataset.project}/builds/${this.model.build}.zip`; },
  get deltaHref() { return `/projects/${this.$root.dataset.project}/builds/${this.model.build}.zip?since=${this.model.against}`; },
  get listHref() { return `/projects/${this.$root.dataset.project}/builds/${this.model.build}/CHANGES.md?since=${this.model.against}`; },
  async again() {
    const answer = await server.post(`${this.api}/again`);
    this.refusal = answer.failed ? answer.message : '';
    if (!answer.failed) {
      location.href = `/projects/${this.$root.dataset.project}/deliveries`;
    }
  },
});
