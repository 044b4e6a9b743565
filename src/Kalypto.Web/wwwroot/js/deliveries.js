// The builds of a project, live while one runs.
import * as server from './server.js';

export const deliveries = () => ({
  builds: server.read('builds'),
  refusal: '',

  init() {
    server.onChanged(this.project, () => this.refresh());
    this.refresh();
  },
  get project() {
    return this.$root.dataset.project;
  },
  async refresh() {
    const builds = await server.get(`/api/projects/${this.project}/builds`);
    if (!builds.failed) {
      this.builds = builds;
    }
    clearTimeout(this.timer);
    if (this.builds.some(b => b.state === 'running')) {
      this.timer = setTimeout(() => this.refresh(), 1000);
    }
  },
  headline(build) {
    switch (build.state) {
      case 'running': return `Building: ${build.done} of ${build.total} files`;
      case 'done': return `${build.files} files · ${build.weight} · ${build.drawn ? build.drawn + ' drawn for it' : 'nothing had to be drawn'}`;
      case 'cancelled': return 'Cancelled';
      default: return 'Not built';
    }
  },
  async build() {
    const answer = await server.post(`/api/projects/${this.project}/builds`);
    this.refusal = answer.failed ? answer.message : '';
    this.refresh();
  },
  async cancel(build) {
    await server.post(`/api/projects/${this.project}/builds/${build.id}/cancel`);
    this.refresh();
  },
});
