// All findings of a project, each with its place and its fix, and what the project says of checks.
import { focusShown } from './focus.js';
import * as server from './server.js';
import { count } from './words.js';

const same = (a, b) => !!a && !!b && a.check === b.check && a.design === b.design && a.layer === b.layer && a.about === b.about;

export const checks = () => ({
  model: server.read('checks'),
  message: '',
  told: '',
  asked: null,
  reason: '',

  init() {
    server.onChanged(this.project, () => this.refresh());
  },
  get project() {
    return this.$root.dataset.project;
  },
  get summary() {
    const { blockers, warnings, hints } = this.model;
    return `${blockers ? `${count(blockers, 'finding')} must be settled before anything can be built` : 'Nothing stands in the way of a build'}; ${count(warnings, 'warning')}, ${count(hints, 'hint')}.`;
  },
  async refresh() {
    const model = await server.get(`/api/projects/${this.project}/checks`);
    if (!model.failed) {
      this.model = model;
    }
  },
  async send(end, body) {
    const answer = await server.post(`/api/projects/${this.project}/checks/${end}`, body);
    this.message = answer.message;
    if (!answer.failed) {
      this.model = answer.checks;
    }
  },
  fix(finding) {
    this.send('fix', { check: finding.check, design: finding.design, layer: finding.layer, everywhere: false });
  },
  async answer(finding, event) {
    const answer = await server.post(`/api/projects/${this.$root.dataset.project}/questions/${finding.question}/answered`, { text: event.target.elements[0].value });
    this.message = answer.failed ? answer.message : 'Answered';
  },
  fixAll(check) {
    this.send('fix', { check: check.id, design: 0, layer: 0, everywhere: true });
  },
  isDrawing(check) { return check.id === 'cannot-be-drawn'; },
  drawAgain() { this.send('draw-again', {}); },
  // ---- what the project says of checks
  isTold(check) { return this.told === check.id; },
  tell(check) { this.told = this.isTold(check) ? '' : check.id; },
  matter(check, severity) { this.send('settings', { check: check.id, severity: severity === 'usual' ? null : severity }); },
  switchOff(check) { this.send('settings', { check: check.id, isOn: false }); },
  switchOn(check) { this.send('settings', { check: check.id, isOn: true }); },
  isAsked(finding) { return same(this.asked, finding); },
  ask(finding) {
    this.asked = finding;
    this.reason = '';
    focusShown(this, () => document.getElementById('reason'));
  },
  suppress(finding) {
    this.asked = null;
    this.send('suppress', { check: finding.check, design: finding.design, layer: finding.layer, about: finding.about, reason: this.reason.trim() });
  },
  again(finding) {
    this.send('suppress', { check: finding.check, design: finding.design, layer: finding.layer, about: finding.about, again: true });
  },
  async undo() {
    const answer = await server.post(`/api/projects/${this.project}/undo`);
    this.message = answer.failed ? answer.message : answer.done;
    this.refresh();
  },
  key(event) {
    if (event.key === 'z' && !event.target.matches('input, select, textarea') && !event.ctrlKey && !event.metaKey) {
      event.preventDefault();
      this.undo();
    }
  },
});
