// The ledger: which rows there are, which are shown, and only those in sight drawn. Rows live outside the reactive
// state, for thousands of them would make it slow; `revision` counts their changes.
window.benchParts = [];
window.benchRows = {
  byOrdinal: new Map(),
  list: [],
  version: '',
  take(answer) {
    for (const row of answer.rows) {
      // What is empty or false was left out on the way.
      this.byOrdinal.set(row.ordinal, {
        drawnName: row.name, notNamed: false, coveredBy: null, hasChildren: false, kind: '', kindIsSaid: false, tags: [], drawnTags: '', made: '', madeIsSaid: false,
        box: null, ink: null, files: 0, bytes: 0, isEstimate: false, weight: '–', madeWith: null, findings: [], hidden: false, combined: false, places: 0,
        apart: false, suggestion: null, ...row,
      });
    }
    const order = answer.order ?? this.list.map(r => r.ordinal);
    this.list = order.map(o => this.byOrdinal.get(o));
    if (answer.order) {
      const kept = new Set(order);
      [...this.byOrdinal.keys()].filter(o => !kept.has(o)).forEach(o => this.byOrdinal.delete(o));
    }
    this.version = answer.version;
  },
};

{
  const rows = window.benchRows;
  const isWaiting = row => row.decision === 'open' && !row.coveredBy && row.depth > 0;
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
  const overscan = 4;
  let shown = { key: '', rows: [], at: new Map() };

  window.benchParts.push({
    revision: 0,
    cursor: 0,
    picked: [],
    folded: [],
    opened: [],
    details: {},
    detailHeights: {},
    search: '',
    show: 'all',
    scrollTop: 0,
    viewHeight: 600,
    rowHeight: 34,

    startRows() {
      const box = this.$refs.rows;
      const measure = () => {
        this.viewHeight = box.clientHeight;
        this.$nextTick(() => this.reveal());
        this.rowHeight = parseInt(getComputedStyle(box).getPropertyValue('--row'), 10) || 34;
      };
      box.addEventListener('scroll', () => { this.scrollTop = box.scrollTop; }, { passive: true });
      new ResizeObserver(measure).observe(box);
      measure();
      this.heights = new ResizeObserver(entries => entries.forEach(e => {
        this.detailHeights = { ...this.detailHeights, [e.target.dataset.layer]: e.target.offsetHeight };
      }));
    },
    watchHeight(element) {
      this.heights.observe(element);
    },
    rowOf(ordinal) {
      return rows.byOrdinal.get(ordinal);
    },
    get allRows() {
      return this.revision >= 0 ? rows.list : [];
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
    // ---- only what is in sight
    heightOf(row) {
      return this.rowHeight + (this.isOpen(row) ? this.detailHeights[row.ordinal] ?? 180 : 0);
    },
    get openedPlaces() {
      return this.opened.map(o => this.placeOfRow(o)).filter(i => i >= 0 && this.details[this.shownRows[i].ordinal]).sort((a, b) => a - b);
    },
    topOf(index) {
      return index * this.rowHeight + this.openedPlaces.filter(i => i < index).reduce((sum, i) => sum + this.heightOf(this.shownRows[i]) - this.rowHeight, 0);
    },
    indexAt(y) {
      let index = Math.floor(y / this.rowHeight);
      while (index > 0 && this.topOf(index) > y) {
        index -= Math.max(1, Math.floor((this.topOf(index) - y) / this.rowHeight / 2));
      }
      return Math.max(0, index);
    },
    // A list that got shorter is shown from where it can still be scrolled to.
    get topInSight() {
      return Math.max(0, Math.min(this.scrollTop, this.topOf(this.shownRows.length) - this.viewHeight / 2));
    },
    get firstInSight() {
      return Math.max(0, Math.min(this.indexAt(this.topInSight) - overscan, this.shownRows.length - 1));
    },
    // Each row in sight keeps its element while it is in sight: scrolling by three rows writes three.
    get slotCount() {
      return Math.ceil(this.viewHeight / this.rowHeight) + 2 * overscan + 1;
    },
    slotOf(row) {
      return this.placeOfRow(row.ordinal) % this.slotCount;
    },
    get rowsInSight() {
      const first = this.firstInSight;
      return this.shownRows.slice(first, first + this.slotCount).sort((a, b) => this.slotOf(a) - this.slotOf(b));
    },
    rowPlace(row) {
      return { transform: `translateY(${this.topOf(this.placeOfRow(row.ordinal))}px)` };
    },
    get allHeight() {
      return { height: `${this.topOf(this.shownRows.length)}px` };
    },
    rowIndex(row) {
      return this.placeOfRow(row.ordinal) + 2;
    },
    reveal() {
      const index = this.placeOfRow(this.cursor);
      const box = this.$refs.rows;
      if (index < 0) {
        return;
      }
      const head = 30;
      const top = this.topOf(index);
      const bottom = top + Math.min(this.heightOf(this.shownRows[index]), box.clientHeight - 2 * head);
      if (top < box.scrollTop) {
        box.scrollTop = top;
      } else if (bottom > box.scrollTop + box.clientHeight - head) {
        box.scrollTop = bottom - box.clientHeight + head;
      }
      this.scrollTop = box.scrollTop;
    },
    // ---- what a row says
    setShow(show) {
      this.show = show;
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
    // ---- moving and picking
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
    isOpen(row) {
      return this.opened.includes(row.ordinal) && !!this.details[row.ordinal];
    },
    detailOf(row) {
      return this.details[row.ordinal] ?? { scales: [], paths: [], names: [], places: [], states: [], values: [], shape: null };
    },
    shownWidth(file) {
      return Math.min(file.width, 160);
    },
    async toggleOpen(row) {
      if (this.opened.includes(row.ordinal)) {
        this.opened = this.opened.filter(o => o !== row.ordinal);
        return;
      }
      await this.loadDetail(row.ordinal);
      this.opened = [...this.opened, row.ordinal];
      this.$nextTick(() => this.reveal());
    },
    async loadDetail(ordinal) {
      const detail = await kalypto.get(`/api/projects/${this.model.project}/designs/${this.model.design}/layers/${ordinal}`);
      if (!detail.failed) {
        this.details = { ...this.details, [ordinal]: { ...detail, shownState: detail.states.findIndex(s => s.here) } };
      }
    },
    // The states of a button, one after the other in the same place.
    flip(row) {
      const detail = this.details[row.ordinal];
      this.details = { ...this.details, [row.ordinal]: { ...detail, shownState: (detail.shownState + 1) % detail.states.length } };
    },
    flipped(row) {
      return this.detailOf(row).states[this.detailOf(row).shownState] ?? { picture: '', label: '' };
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
  });
}
