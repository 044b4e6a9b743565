// Sorting many at once: combinations, rules, suggestions; the drawer with findings and history.
import { focusShown } from '../focus.js';
import * as server from '../server.js';

export const sorting = {
  drawer: '',
  history: [],
  who: localStorage.getItem('kalypto-who') ?? '',
  atLeast: 80,

  openDrawer(name) {
    this.drawer = name;
  },
  closeDrawer() {
    this.drawer = '';
    this.focusRows();
  },
  toggleDrawer(name) {
    if (this.drawer === name) {
      this.closeDrawer();
      return;
    }
    this.openDrawer(name);
    if (name === 'history') {
      this.loadHistory();
    }
    focusShown(this, () => this.$refs.drawer);
  },
  // ---- combinations and repeats
  async join() {
    this.take(await this.change('combine', this.place()));
  },
  async takeApart() {
    const combined = this.targets.filter(o => this.rowOf(o)?.combined);
    if (combined.length) {
      this.take(await this.change('take-apart', this.place({ layers: combined })));
    } else if (this.targets.some(o => this.rowOf(o)?.places > 1)) {
      this.edit({ apart: !this.rowOf(this.targets[0]).apart });
    } else {
      this.say('Nothing picked was put together or repeats');
    }
  },
  get canTakeApart() {
    return this.revision >= 0 && this.targets.some(o => this.rowOf(o)?.combined || this.rowOf(o)?.places > 1);
  },
  // ---- rules and suggestions
  ruleIn: 'screen',
  async rule(event) {
    this.closeMenus();
    this.take(await this.change('rule', this.place({ layers: [], rule: event.currentTarget.dataset.rule, in: this.ruleIn })));
  },
  openRules() {
    const rules = this.$refs.rules;
    rules.open = true;
    focusShown(this, () => rules.querySelector('button'));
  },
  get suggested() {
    return this.allRows.filter(r => r.suggestion);
  },
  get suggestedKinds() {
    const kinds = new Map();
    this.suggested.forEach(r => kinds.set(r.suggestion.kind, (kinds.get(r.suggestion.kind) ?? 0) + 1));
    return [...kinds].map(([kind, count]) => ({ kind, count }));
  },
  get sureCount() {
    return this.suggested.filter(r => r.suggestion.percent >= this.atLeast).length;
  },
  suggestionText(row) {
    return row.suggestion ? `looks like ${row.suggestion.kind === 'icon' ? 'an' : 'a'} ${row.suggestion.kind}: ${row.suggestion.why}` : '';
  },
  strength(row) {
    return { width: `${row.suggestion?.percent ?? 0}%` };
  },
  async accept(more) {
    this.closeMenus();
    this.take(await this.change('accept', this.place(more)));
  },
  acceptRow(row) {
    this.cursor = row.ordinal;
    this.accept({ layers: [row.ordinal] });
  },
  acceptPicked() {
    this.accept({});
  },
  acceptKind(kind) {
    this.accept({ layers: [], kind });
  },
  acceptSure() {
    this.accept({ layers: [], atLeast: Number(this.atLeast) });
  },
  dismissRow(row) {
    this.cursor = row.ordinal;
    this.picked = [];
    this.edit({ layers: [row.ordinal], dismissed: true });
  },
  dismissPicked() {
    this.edit({ dismissed: true });
  },
  closeMenus() {
    document.querySelectorAll('details.menu[open]').forEach(m => { m.open = false; });
  },
  // ---- findings
  get checks() {
    if (this.drawer !== 'checks') {
      return [];
    }
    const byCheck = new Map();
    for (const row of this.allRows) {
      for (const finding of row.findings) {
        if (!byCheck.has(finding.check)) {
          byCheck.set(finding.check, { check: finding.check, name: finding.name, severity: finding.severity, fixable: 0, all: [] });
        }
        const group = byCheck.get(finding.check);
        group.fixable += finding.isEdit ? 1 : 0;
        group.all.push({ key: `${row.ordinal} ${finding.sentence}`, ordinal: row.ordinal, ...finding });
      }
    }
    const order = ['blocker', 'warning', 'hint'];
    return [...byCheck.values()].map(g => ({ ...g, shown: g.all.slice(0, 60) })).sort((a, b) => order.indexOf(a.severity) - order.indexOf(b.severity));
  },
  get findingCount() {
    return this.allRows.reduce((sum, r) => sum + r.findings.length, 0);
  },
  async fix(check, ordinal) {
    this.take(await this.change('fix', this.place({ layers: [], check, layer: ordinal })));
  },
  fixAll(group) {
    this.fix(group.check, null);
  },
  // What the first finding of a row offers, by one key.
  applyFirst() {
    const row = this.rowOf(this.cursor);
    const finding = row?.findings.find(f => f.isEdit);
    if (finding) {
      this.applyFix(row, finding);
    }
  },
  // The bench is loaded again by itself when it is told that something changed.
  async answer(finding, event) {
    const input = event.target.elements[0];
    const answer = await server.post(this.path(`questions/${finding.question}/answered`), { text: input.value });
    this.say(answer.failed ? answer.message : 'Answered');
    if (!answer.failed) {
      input.value = '';
    }
  },
  applyFix(row, finding) {
    this.cursor = row.ordinal;
    this.fix(finding.check, row.ordinal);
  },
  // ---- history
  async loadHistory() {
    const answer = await server.get(this.path('history'));
    if (!answer.failed) {
      this.history = answer.map(h => ({ ...h, time: new Date(h.when).toLocaleTimeString([], { hour: '2-digit', minute: '2-digit', hourCycle: 'h23' }), day: new Date(h.when).toLocaleDateString() }));
    }
  },
  saveWho() {
    localStorage.setItem('kalypto-who', this.who.trim());
  },
};
