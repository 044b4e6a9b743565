// The tag line: one line for all that is picked, with completion, and with what it will change.
window.benchParts.push({
  words: kalypto.read('tag-words'),
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
  get completions() {
    if (!this.lineIsActive) {
      return [];
    }
    const last = this.line.split(' ').at(-1).replace(/^-/, '');
    return this.words.filter(w => w.form.startsWith(last) && w.form !== last).slice(0, 7);
  },
  complete(word) {
    const parts = this.line.split(' ');
    const minus = parts.at(-1).startsWith('-') ? '-' : '';
    parts[parts.length - 1] = minus + (minus && word.form.includes(':') ? word.form.split(':')[0] : word.form);
    this.line = `${parts.join(' ')} `;
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
    this.timers.line = setTimeout(async () => {
      const answer = await kalypto.post(this.path('preview'), this.place({ tags: typed }));
      if (typed === this.line && !answer.failed) {
        // A word that is still being typed is no mistake yet.
        const unfinished = !typed.endsWith(' ') && this.completions.length > 0;
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
    } else if (event.key === 'Tab' && this.completions.length && this.line.trim() && !this.line.endsWith(' ')) {
      event.preventDefault();
      this.complete(this.completions[0]);
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
    this.edit({ tags: tag.startsWith('-') ? tag.slice(1) : `-${tag.split(':')[0]}` });
  },
});
