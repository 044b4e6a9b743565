// Two people at one layer: whoever comes last decides, and whoever was overruled is told.
import { store } from './store.js';

// What was edited long ago is expected to change.
const kept = 10 * 60_000;
const valuesOf = row => ({ name: row.name, decision: row.decision, tags: row.tags.join(' ') });

// What was edited on this page: the layer, what of it, what it came to, and when.
let own = [];

export const losses = {
  lost: [],

  // An edit of this page: what it came to is what is expected from now on.
  rememberEdit({ layers, ...change }) {
    const fields = Object.keys(change).filter(field => change[field] !== undefined && field in valuesOf({ tags: [] }));
    own = own.filter(o => !layers.includes(o.ordinal) || !fields.includes(o.field));
    own.push(...layers.filter(o => store.byOrdinal.has(o)).flatMap(ordinal => fields.map(field => ({ ordinal, field, value: valuesOf(store.byOrdinal.get(ordinal))[field], at: Date.now() }))));
  },
  // A step that was taken back or done again by oneself.
  expectAll() {
    own = own.filter(o => store.byOrdinal.has(o.ordinal)).map(o => ({ ...o, value: valuesOf(store.byOrdinal.get(o.ordinal))[o.field] }));
  },
  findLosses() {
    own = own.filter(o => Date.now() - o.at < kept && store.byOrdinal.has(o.ordinal));
    const changed = own.filter(o => valuesOf(store.byOrdinal.get(o.ordinal))[o.field] !== o.value);
    own = own.filter(o => !changed.includes(o));
    this.lost = [...this.lost, ...changed.map(o => {
      const row = store.byOrdinal.get(o.ordinal);
      return { key: `${o.ordinal} ${o.field} ${Date.now()}`, ordinal: o.ordinal, text: `Somebody else changed the ${o.field} of “${row.name}” after you: ${valuesOf(row)[o.field] || 'none'}, yours was ${o.value || 'none'}.` };
    })].slice(-5);
  },
  forgetLosses() { this.lost = []; },
  showLosses() {
    this.goTo(this.lost[0].ordinal);
    this.lost = [];
    this.openDrawer('history');
    this.loadHistory();
  },
};
