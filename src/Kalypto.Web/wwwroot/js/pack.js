// The pack page: folders, cards, and what is drawn ahead of the build.
document.addEventListener('alpine:init', () => {
  Alpine.data('pack', () => ({
    model: kalypto.read('pack'),
    chosen: '',
    refusal: '',

    init() {
      kalypto.onChanged(this.project, () => this.refresh());
    },
    get project() {
      return this.$root.dataset.project;
    },
    async refresh() {
      const model = await kalypto.get(`/api/projects/${this.project}/pack`);
      if (!model.failed) {
        this.model = model;
      }
    },
    get shown() {
      return this.model.folders.filter(f => (f.cards.length || f.sideFiles.length) && f.path
        && (!this.chosen || f.path === this.chosen || f.path.startsWith(`${this.chosen}/`)));
    },
    isOpen(folder) {
      return folder.path === this.chosen;
    },
    treeClass(folder) {
      return `depth-${Math.min(folder.depth, 6)}`;
    },
    openFolder(folder) {
      this.chosen = folder.path;
    },
    async choosePlatform(event) {
      const button = event.target.closest('button');
      const on = button.getAttribute('aria-pressed') !== 'true';
      button.setAttribute('aria-pressed', on);
      await kalypto.post(`/api/projects/${this.project}/platforms`, { platform: button.dataset.platform, on });
      this.chosen = '';
      this.refresh();
    },
    async build() {
      const answer = await kalypto.post(`/api/projects/${this.project}/builds`);
      if (answer.failed) {
        this.refusal = answer.message;
      } else {
        location.href = `/projects/${this.project}/deliveries`;
      }
    },
  }));
});
