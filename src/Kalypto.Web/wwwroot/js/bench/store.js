// The rows of the ledger and the screens of the strip as they last came. They live outside the reactive state, for thousands
// of them would make it slow; the bench counts their changes.
const empty = {
  notNamed: false, coveredBy: null, hasChildren: false, kind: '', kindIsSaid: false, tags: [], drawnTags: '', made: '', madeIsSaid: false,
  box: null, ink: null, files: 0, bytes: 0, isEstimate: false, weight: '–', madeWith: null, findings: [], hidden: false, combined: false, places: 0,
  apart: false, suggestion: null,
};
const screens = new Map();

// Which rows somebody still has to decide on, as the server counts them: a group in which all is settled is settled too.
const wait = list => {
  const around = new Set();
  for (const row of list.toReversed()) {
    const isSettled = row.decision !== 'open' || !!row.coveredBy || (row.hasChildren && !around.has(row.ordinal));
    row.waits = !isSettled && row.depth > 0;
    if (!isSettled) {
      around.add(row.parent);
    }
  }
};

export const store = {
  byOrdinal: new Map(),
  list: [],
  strip: [],
  version: '',

  // Takes what came in; what changed since the version that is known here.
  take({ rows, order, strip, stripOrder, version }) {
    for (const row of rows) {
      // What is empty or false was left out on the way.
      this.byOrdinal.set(row.ordinal, { drawnName: row.name, ...empty, ...row });
    }
    const kept = order ?? this.list.map(r => r.ordinal);
    this.list = kept.map(o => this.byOrdinal.get(o));
    if (order) {
      const there = new Set(order);
      [...this.byOrdinal.keys()].filter(o => !there.has(o)).forEach(o => this.byOrdinal.delete(o));
    }
    wait(this.list);
    strip.forEach(s => screens.set(s.id, s));
    if (stripOrder) {
      this.stripOrder = stripOrder;
    }
    this.strip = this.stripOrder.map(id => screens.get(id));
    this.version = version;
  },
};
