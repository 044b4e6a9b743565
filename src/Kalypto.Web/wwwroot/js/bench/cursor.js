// Moving through the rows and picking them.
import { isWaiting } from './rows.js';

export const cursor = {
  cursor: 0,
  picked: [],

  clickRow(row, event) {
    if (event.shiftKey) {
      const list = this.shownRows;
      const [a, b] = [this.placeOfRow(this.picked.at(-1) ?? row.ordinal), this.placeOfRow(row.ordinal)].sort((x, y) => x - y);
      this.picked = list.slice(Math.max(0, a), b + 1).map(r => r.ordinal);
    } else if (event.ctrlKey || event.metaKey) {
      this.togglePick(row);
    } else {
      this.picked = [row.ordinal];
    }
    this.cursor = row.ordinal;
    this.lineChanged();
  },
  togglePick(row) {
    this.picked = this.isPicked(row) ? this.picked.filter(o => o !== row.ordinal) : [...this.picked, row.ordinal];
    this.lineChanged();
  },
  pickShown() {
    this.picked = this.shownRows.filter(r => r.depth > 0).map(r => r.ordinal);
    this.lineChanged();
  },
  fold(row) {
    this.folded = this.folded.includes(row.ordinal) ? this.folded.filter(o => o !== row.ordinal) : [...this.folded, row.ordinal];
  },
  unfoldTo(ordinal) {
    for (let row = this.rowOf(ordinal); row; row = this.rowOf(row.parent)) {
      this.folded = this.folded.filter(o => o !== row.parent);
    }
  },
  move(by, extend) {
    const list = this.shownRows;
    const at = this.placeOfRow(this.cursor);
    const next = list[Math.min(list.length - 1, Math.max(0, at + by))];
    if (!next) {
      return;
    }
    if (extend) {
      const [a, b] = [Math.max(0, at), list.indexOf(next)].sort((x, y) => x - y);
      this.picked = [...new Set([...this.picked, ...list.slice(a, b + 1).map(r => r.ordinal)])];
    }
    this.cursor = next.ordinal;
    this.$nextTick(() => this.reveal());
  },
  goTo(ordinal) {
    this.unfoldTo(ordinal);
    if (this.placeOfRow(ordinal) < 0) {
      this.search = '';
      this.show = 'all';
    }
    this.cursor = ordinal;
    this.picked = [];
    this.$nextTick(() => this.reveal());
  },
  nextOpen() {
    const list = this.allRows;
    const at = list.findIndex(r => r.ordinal === this.cursor);
    const next = [...list.slice(at + 1), ...list.slice(0, at + 1)].find(isWaiting);
    if (!next) {
      this.say('Everything on this screen is decided');
      return;
    }
    this.goTo(next.ordinal);
  },
  focusRows() {
    this.$refs.rows.focus();
  },
};
