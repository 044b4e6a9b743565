// Edits: what is picked is sent, what changed comes back. Nobody waits, nothing is lost.
import * as server from '../server.js';
import { store } from './store.js';

export const edits = {
  timers: {},
  started: 0,
  pending: 0,
  message: '',

  get targets() {
    return this.picked.length ? [...this.picked] : [this.cursor];
  },
  place(more) {
    return { design: this.model.design, screen: this.model.root, since: store.version, layers: this.targets, ...more };
  },
  path(end) {
    return `/api/projects/${this.model.project}/${end}`;
  },
  async edit(change) {
    return this.take(await this.change('edit', this.place(change)));
  },
  // Counts edits, so that an answer from before an edit never shows over the answer to it.
  async change(end, body) {
    this.started++;
    this.pending++;
    const answer = await server.post(this.path(end), body);
    this.pending--;
    return answer.failed ? answer : { ...answer, own: end === 'edit' ? body : end === 'rename' ? { layers: body.layers, name: true } : 'anything' };
  },
  take(answer) {
    if (answer.failed) {
      this.refuse(answer);
      return false;
    }
    this.takeIn(answer);
    this.mistakes = answer.mistakes ?? [];
    if (answer.pick) {
      this.picked = answer.pick;
      if (answer.pick.length) {
        this.goTo(answer.pick[0]);
        this.picked = answer.pick;
      }
    }
    if (answer.done) {
      this.say(answer.done);
    }
    return true;
  },
  takeModel({ rows, order, strip, stripOrder, ...model }) {
    store.take({ rows, order, strip, stripOrder, version: model.version });
    this.model = model;
    this.revision++;
  },
  takeIn({ own, ...answer }) {
    this.takeModel(answer);
    if (own === 'anything') {
      this.expectAll();
    } else if (own) {
      this.rememberEdit(own);
    }
    this.findLosses();
    const { rows, order } = answer;
    if (order) {
      this.picked = this.picked.filter(o => this.rowOf(o));
      this.cursor = this.rowOf(this.cursor) ? this.cursor : store.list[0].ordinal;
    }
    this.opened.filter(o => rows.some(r => r.ordinal === o)).forEach(o => this.loadDetail(o));
  },
  async refresh() {
    if (this.pending) {
      return;
    }
    const { started } = this;
    const answer = await this.now();
    if (!answer.failed && started === this.started) {
      this.takeIn(answer);
      if (this.drawer === 'history') {
        this.loadHistory();
      }
    }
  },
  say(text) {
    this.message = text;
    clearTimeout(this.timers.message);
    this.timers.message = setTimeout(() => { this.message = ''; }, 5000);
  },
  decide(decision) {
    return this.edit({ decision });
  },
  decideShip() { this.decide('Ship'); },
  decideCode() { this.decide('Code'); },
  decideLeave() { this.decide('Leave'); },
  decideOpen() { this.decide('Open'); },
  cycle(row) {
    const decisions = ['open', 'ship', 'code', 'leave'];
    this.cursor = row.ordinal;
    if (!this.isPicked(row)) {
      this.picked = [row.ordinal];
    }
    const next = decisions[(decisions.indexOf(row.decision) + 1) % decisions.length];
    this.decide(next[0].toUpperCase() + next.slice(1));
  },
  undo() { return this.turn('undo'); },
  redo() { return this.turn('redo'); },
  turnStep(step) { return this.turn(`history/${step.id}`, { undo: !step.undone }); },
  // Takes a step back, or does it again: one's own last one, or any one of the history.
  async turn(end, body) {
    this.started++;
    this.pending++;
    const answer = await server.post(this.path(end), body);
    const bench = answer.failed ? answer : await this.now();
    this.pending--;
    if (bench.failed) {
      this.refuse(bench);
      return;
    }
    this.takeModel(bench);
    this.expectAll();
    this.takeIn(bench);
    this.say(answer.done);
    if (this.drawer === 'history') {
      this.loadHistory();
    }
  },
  now() {
    return server.get(this.path(`bench/${this.model.design}/${this.model.root}?since=${store.version}`));
  },
  refuse(answer) {
    this.say(answer.message);
    if (answer.history) {
      this.openDrawer('history');
      this.loadHistory();
    }
  },
};
