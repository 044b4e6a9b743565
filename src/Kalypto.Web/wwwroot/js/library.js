// The library: everything that was shipped, found by words, kind, platform, size, colour and what it looks like.
import * as server from './server.js';
import { count } from './words.js';

const nothing = { words: '', kind: '', platform: '', from: '', to: '', colour: '', like: '' };

export const library = () => ({
  ask: { ...nothing, ...Object.fromEntries([...new URLSearchParams(location.search)].filter(([key]) => key in nothing)) },
  likeName: 'a picture',
  kinds: [],
  platforms: [],
  cards: [],
  found: 0,
  loaded: false,
  picked: null,
  detail: null,
  into: 0,
  refusal: '',
  asked: 0,

  init() { this.find(); },
  get query() { return new URLSearchParams(Object.entries(this.ask).filter(([, value]) => value !== '' && value !== null)).toString(); },
  get isAsked() { return !!this.query; },
  get more() { return this.found - this.cards.length; },
  get isEmpty() { return this.loaded && !this.cards.length; },
  get emptyText() { return this.isAsked ? 'Nothing that was shipped is like that.' : 'Nothing was shipped yet. What is delivered from any project is found here.'; },
  get sumText() { return this.loaded ? `${count(this.found, 'drawing')}${this.isAsked ? ' found' : ' shipped so far'}` : ''; },
  async find() {
    const number = ++this.asked;
    history.replaceState(null, '', this.query ? `?${this.query}` : location.pathname);
    const answer = await server.get(`/api/library?${this.query}`);
    if (number !== this.asked) {
      return;
    }
    this.refusal = answer.failed ? answer.message : '';
    if (!answer.failed) {
      Object.assign(this, { kinds: answer.kinds, platforms: answer.platforms, cards: answer.cards, found: answer.found, loaded: true });
      const here = this.cards.find(c => c.drawing === this.picked?.drawing) ?? this.cards[0];
      if (here) {
        this.go(here);
      } else {
        this.picked = this.detail = null;
      }
    }
  },
  async showMore() {
    const answer = await server.get(`/api/library?${this.query}&skip=${this.cards.length}`);
    if (!answer.failed) {
      this.cards = [...this.cards, ...answer.cards.filter(c => !this.cards.some(k => k.drawing === c.drawing))];
    }
  },
  isHere(card) { return card.drawing === this.picked?.drawing; },
  async go(card) {
    if (this.isHere(card) && this.detail) {
      return;
    }
    this.picked = card;
    this.detail = null;
    this.refusal = '';
    if (card.projectId === this.into) {
      this.into = 0;
    }
    const answer = await server.get(`/api/library/${card.design}/${card.lineage}`);
    if (this.isHere(card)) {
      this.detail = answer.failed ? null : answer;
      this.refusal = answer.failed ? answer.message : '';
    }
  },
  // ---- what is asked
  swatch(colour) { return { background: colour || 'none' }; },
  pickColour(colour) {
    this.ask.colour = colour;
    this.find();
  },
  likeThis(card) {
    this.ask.like = card.hash;
    this.likeName = card.name;
    this.find();
  },
  clear(what) {
    this.ask[what] = '';
    this.find();
  },
  clearAll() {
    this.ask = { ...nothing };
    this.find();
  },
  choose(event) {
    this.likeFile(event.target.files[0]);
    event.target.value = '';
  },
  drop(event) { this.likeFile(event.dataTransfer.files[0]); },
  async likeFile(file) {
    if (!file) {
      return;
    }
    const form = new FormData();
    form.append('picture', file);
    const answer = await server.sendForm('/api/library/look', form);
    this.refusal = answer.failed ? `${file.name} cannot be looked for. ${answer.message}` : '';
    if (!answer.failed) {
      this.ask = { ...nothing, like: answer.like };
      this.likeName = file.name;
      this.find();
    }
  },
  // ---- taking
  isOf(project) { return this.picked?.projectId === project; },
  get canTake() { return !!this.picked && this.into > 0 && !this.isOf(this.into); },
  get zipHref() { return this.detail?.zip ?? ''; },
  async take() {
    const answer = await server.post(`/api/projects/${this.into}/taken`, { design: this.picked.design, lineage: this.picked.lineage });
    this.refusal = answer.failed ? answer.message : '';
    if (!answer.failed) {
      location.href = `/projects/${this.into}#design-${answer.design}`;
    }
  },
  step(by) {
    const next = this.cards[Math.max(0, Math.min(this.cards.length - 1, this.cards.findIndex(c => this.isHere(c)) + by))];
    if (next) {
      this.go(next);
      this.$nextTick(() => document.querySelector(`[data-key="${next.drawing}"]`)?.scrollIntoView({ block: 'nearest' }));
    }
  },
  key(event) {
    if (event.target.matches('input, select, textarea') || event.ctrlKey || event.metaKey || event.altKey) {
      return;
    }
    const act = { ArrowRight: () => this.step(1), ArrowLeft: () => this.step(-1), '/': () => this.$refs.words.focus() }[event.key];
    if (act) {
      event.preventDefault();
      act();
    }
  },
});
