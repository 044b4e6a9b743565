// All findings of a project, each with its place and its fix.
document.addEventListener('alpine:init', () => {
  Alpine.data('checks', () => ({
    model: kalypto.read('checks'),
    message: '',

    init() {
      kalypto.onChanged(this.project, () => this.refresh());
    },
    get project() {
      return this.$root.dataset.project;
    },
    get summary() {
      const { blockers, warnings, hints } = this.model;
      const say = (n, noun) => `${n} ${noun}${n === 1 ? '' : 's'}`;
      return `${blockers ? `${say(blockers, 'finding')} must be settled before anything can be built` : 'Nothing stands in the way of a build'}; ${say(warnings, 'warning')}, ${say(hints, 'hint')}.`;
    },
    async refresh() {
      const model = await kalypto.get(`/api/projects/${this.project}/checks`);
      if (!model.failed) {
        this.model = model;
      }
    },
    async send(end, body) {
      const answer = await kalypto.post(`/api/projects/${this.project}/checks/${end}`, body);
      this.message = answer.message;
      if (!answer.failed) {
        this.model = answer.checks;
      }
    },
    fix(check, finding) {
      this.send('fix', { check: check.name, design: finding.design, screen: 0, layer: finding.layer, everywhere: false });
    },
    fixAll(check) {
      this.send('fix', { check: check.name, design: 0, screen: 0, everywhere: true });
    },
    undo() {
      this.send('undo', {});
    },
    key(event) {
      if (event.key === 'z' && !event.ctrlKey && !event.metaKey) {
        event.preventDefault();
        this.undo();
      }
    },
  }));
});
