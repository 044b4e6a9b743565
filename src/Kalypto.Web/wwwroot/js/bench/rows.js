// The rows of the ledger: which are shown, and what each of them says.
import { store } from './store.js';

export const isWaiting = row => row.waits;
const shows = {
  all: () => true,
  open: isWaiting,
  likely: row => !!row.suggestion,
  ships: row => row.decision === 'ship',
  findings: row => row.findings.length > 0,
  code: row => row.decision === 'code',
  left: row => row.decision === 'leave',
  'not named': row => row.notNamed && !row.coveredBy && row.kind !== 'text',
  hidden: row => row.hidden,
  repeats: row => row.places > 1,
  texts: row => row.kind === 'text',
};
let shown = { key: '', rows: [], at: new Map() };

export const rows = {
  revision: 0,
  folded: [],
  search: '',
  show: 'all',

  rowOf(ordinal) {
    return store.byOrdinal.get(ordinal);
  },
  get allRows() {
    return this.revision >= 0 ? store.list : [];
  },
  get shownRows() {
    const key = [this.revision, this.search, this.show, this.folded.join()].join('|');
    if (shown.key !== key) {
      const words = this.search.toLowerCase().trim();
      const folded = new Set(this.folded);
      const below = new Set();
      const list = this.allRows.filter(row => {
        if (below.has(row.parent)) {
          below.add(row.ordinal);
          return false;
        }
        if (folded.has(row.ordinal)) {
          below.add(row.ordinal);
        }
        return (!words || `${row.name} ${row.drawnName} ${row.kind} ${row.tags.join(' ')}`.toLowerCase().includes(words)) && shows[this.show](row);
      });
      shown = { key, rows: list, at: new Map(list.map((r, i) => [r.ordinal, i])) };
    }
    return shown.rows;
  },
  placeOfRow(ordinal) {
    return this.shownRows && (shown.at.get(ordinal) ?? -1);
  },
  setShow(show) {
    this.show = show;
  },
  nextShow() {
    const shows = ['all', 'open', 'likely', 'ships', 'findings'];
    this.setShow(shows[(shows.indexOf(this.show) + 1) % shows.length]);
  },
  isWaiting(row) {
    return isWaiting(row);
  },
  isPicked(row) {
    return this.picked.includes(row.ordinal);
  },
  rowClass(row) {
    return { picked: this.isPicked(row), cursor: row.ordinal === this.cursor, covered: row.coveredBy && row.decision === 'open', unseen: row.hidden, joined: row.combined };
  },
  thumb(row) {
    return `/pictures/${this.model.project}/${this.model.design}/layer/${row.ordinal}.png?k=${row.thumb}`;
  },
  // A picture that is on its way never lets that of another row stand in for it.
  showThumb(image, row) {
    const address = this.thumb(row);
    if (image.getAttribute('src') !== address) {
      image.removeAttribute('src');
      image.src = address;
    }
  },
  indent(row) {
    return { paddingLeft: `${Math.min(row.depth, 9) * 14}px` };
  },
  nameClass(row) {
    return row.notNamed ? (row.decision === 'ship' ? 'not-named' : 'default-name') : '';
  },
  twistClass(row) {
    return { none: !row.hasChildren, folded: this.folded.includes(row.ordinal) };
  },
  noteOf(row) {
    return row.coveredBy && row.decision === 'open' ? `${row.note}${row.note ? ', ' : ''}in ${row.coveredBy}` : row.note;
  },
  signLabel(row) {
    return `${row.name}: ${row.coveredBy && row.decision === 'open' ? `in ${row.coveredBy}` : row.decision}. Change`;
  },
  worst(row) {
    return row.findings.some(f => f.severity === 'blocker') ? 'blocker' : row.findings.some(f => f.severity === 'warning') ? 'warning' : 'hint';
  },
  firstFinding(row) {
    return row.findings.map(f => f.sentence).join('\n');
  },
};
