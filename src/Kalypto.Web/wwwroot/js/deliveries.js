// The builds of a project, live while one runs.
import { focusShown } from './focus.js';
import * as server from './server.js';
import { count } from './words.js';

export const deliveries = () => ({
  builds: server.read('builds'),
  refusal: '',
  line: '',
  byFiles: false,
  byKind: false,
  // Builds that somebody at this page waits for: those that run, and the one that was begun on the page before.
  awaited: new Set(),

  init() {
    if (location.hash === '#new' && this.builds.length) {
      this.awaited.add(this.builds[0].id);
      // Whoever loads the page again waits for nothing.
      history.replaceState(null, '', location.pathname);
    }
    server.onChanged(this.project, () => this.refresh());
    this.refresh();
  },
  get project() {
    return this.$root.dataset.project;
  },
  async refresh() {
    const builds = await server.get(`/api/projects/${this.project}/builds`);
    if (!builds.failed) {
      this.builds.filter(b => b.state === 'running').forEach(b => this.awaited.add(b.id));
      this.builds = builds;
      this.leadTo(builds.find(b => b.zip && this.awaited.has(b.id)));
    }
    clearTimeout(this.timer);
    if (this.builds.some(b => b.state === 'running')) {
      this.timer = setTimeout(() => this.refresh(), 1000);
    }
  },
  // Whoever waited for a build finds the keyboard on its zip, unless they are at something else by now.
  leadTo(ended) {
    const row = ended && document.querySelector(`[data-build="${ended.id}"]`);
    if (row) {
      this.awaited.delete(ended.id);
      focusShown(this, () => document.activeElement === document.body || row.contains(document.activeElement) ? row.querySelector('a[download]') : null);
    }
  },
  headline(build) {
    switch (build.state) {
      case 'running': return `Building: ${build.done} of ${build.total} files${build.proofsLeft ? `, ${count(build.proofsLeft, 'picture')} to be compared with the browser` : ''}`;
      case 'done': return '';
      case 'cancelled': return 'Cancelled';
      default: return 'Not built';
    }
  },
  factsOf(build) {
    const done = build.state === 'done' ? `${build.files} files · ${build.weight} · ${build.drawn ? build.drawn + ' drawn for it' : 'nothing had to be drawn'} · ` : '';
    return done + build.made;
  },
  hrefOf(build) { return build.number ? `/projects/${this.project}/deliveries/${build.number}` : null; },
  platesOf(build) { return build.number ? `/projects/${this.project}/deliveries/${build.number}/plates` : null; },
  // ---- weight or files of all deliveries, as bars
  get deliveries() { return this.builds.filter(b => b.number); },
  showWeight() { this.byFiles = false; },
  showFiles() { this.byFiles = true; },
  partPlatform() { this.byKind = false; },
  partKind() { this.byKind = true; },
  partsOf(build) {
    const parts = new Map();
    build.shares.forEach(s => {
      const name = this.byKind ? s.kind : s.platform;
      parts.set(name, (parts.get(name) ?? 0) + (this.byFiles ? s.files : s.bytes));
    });
    return parts;
  },
  get keys() {
    const names = [...new Set(this.deliveries.flatMap(d => [...this.partsOf(d).keys()]))].sort();
    return names.map((name, i) => ({ name, tone: `tone-${i % 6}` }));
  },
  barOf(build) {
    const most = Math.max(...this.deliveries.map(d => [...this.partsOf(d).values()].reduce((a, n) => a + n, 0)), 1);
    const parts = this.partsOf(build);
    return this.keys.filter(k => parts.get(k.name)).map(k => ({ ...k, style: { width: `${100 * parts.get(k.name) / most}%` }, text: `${k.name}: ${this.amount(parts.get(k.name))}` }));
  },
  barText(build) { return this.barOf(build).map(p => p.text).join(', '); },
  amount(n) { return this.byFiles ? `${n} files` : n < 1e6 ? `${(n / 1e3).toFixed(1)} kB` : `${(n / 1e6).toFixed(1)} MB`; },
  async build() {
    const answer = await server.post(`/api/projects/${this.project}/builds?line=${encodeURIComponent(this.line)}`);
    this.refusal = answer.failed ? answer.message : '';
    this.line = answer.failed ? this.line : '';
    this.refresh();
  },
  async cancel(build) {
    await server.post(`/api/projects/${this.project}/builds/${build.id}/cancel`);
    this.refresh();
  },
});
