// The tag line: one line for all that is picked, with completion, and with what it will change.
import * as server from '../server.js';

export const tags = {
  line: '',
  lineIsActive: false,
  // Lines that were typed before, newest last; Up and Down go through them.
  typedBefore: JSON.parse(localStorage.getItem('kalypto-tags') ?? '[]'),
  typedAt: -1,
  effect: '',
  mistakes: [],

  get pickedText() {
    return this.picked.length === 1 ? this.rowOf(this.picked[0])?.name ?? '' : this.picked.length ? `${this.picked.length} layers picked` : this.rowOf(this.cursor)?.name ?? '';
  },
  get sharedTags() {
    const [first, ...others] = this.revision >= 0 ? this.targets.map(o => this.rowOf(o)?.tags ?? []) : [[]];
    return first.filter(tag => others.every(tags => tags.includes(tag)));
  },
  offers: { line: '', words: [] },
  get completions() {
    return this.lineIsActive && this.offers.line === this.line ? this.offers.words : [];
  },
  // The server knows the words; it is asked at every letter, and what it says of an older line is passed over.
  async offer() {
    const { line } = this;
    const words = line.trim() ? await server.post(this.path('completions'), { line }) : [];
    this.offers = Array.isArray(words) && line === this.line ? { line, words } : this.offers;
  },
  complete(word) {
    this.line = word.line;
    this.$refs.line.focus();
    this.lineChanged();
  },
  lineOn() {
    this.lineIsActive = true;
  },
  lineOff() {
    // A click on a completion comes first.
    setTimeout(() => { this.lineIsActive = false; }, 150);
  },
  lineChanged() {
    clearTimeout(this.timers.line);
    this.mistakes = [];
    this.effect = '';
    const typed = this.line;
    if (!typed.trim()) {
      return;
    }
    this.offer();
    this.timers.line = setTimeout(async () => {
      const answer = await server.post(this.path('preview'), this.place({ tags: typed }));
      if (typed === this.line && !answer.failed) {
        // A word that is still being typed is no mistake yet.
        const unfinished = !typed.endsWith(' ') && (this.offers.line !== typed || this.offers.words.length > 0);
        this.mistakes = unfinished ? [] : answer.mistakes;
        this.effect = answer.effect;
      }
    }, 150);
  },
  async lineKey(event) {
    if (event.key === 'Enter') {
      event.preventDefault();
      clearTimeout(this.timers.line);
      if (this.line.trim() && await this.edit({ tags: this.line }) && !this.mistakes.length) {
        this.remember(this.line.trim());
        this.line = '';
        this.effect = '';
        this.focusRows();
      }
    } else if (event.key === 'Tab' && this.line.trim() && !this.line.endsWith(' ')) {
      event.preventDefault();
      await this.offer();
      if (this.completions.length) {
        this.complete(this.completions[0]);
      }
    } else if (event.key === 'ArrowUp' || event.key === 'ArrowDown') {
      event.preventDefault();
      const { length } = this.typedBefore;
      this.typedAt = Math.min(length, Math.max(0, (this.typedAt < 0 ? length : this.typedAt) + (event.key === 'ArrowUp' ? -1 : 1)));
      this.line = this.typedBefore[this.typedAt] ?? '';
      this.lineChanged();
    } else if (event.key === 'Escape') {
      this.focusRows();
    }
  },
  remember(line) {
    this.typedBefore = [...this.typedBefore.filter(l => l !== line), line].slice(-30);
    this.typedAt = -1;
    localStorage.setItem('kalypto-tags', JSON.stringify(this.typedBefore));
  },
  takeAway(tag) {
    this.edit({ without: tag });
  },
};
