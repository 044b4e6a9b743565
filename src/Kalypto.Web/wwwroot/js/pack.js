// The pack page: every file to come, as folders, cards, a list and sums, and what is drawn ahead of the build.
document.addEventListener('alpine:init', () => {
  const most = 240;
  const folderOf = path => path.slice(0, Math.max(0, path.lastIndexOf('/')));
  const isSet = folder => folder.endsWith('.imageset') || folder.endsWith('.appiconset');
  // An image set is one picture, not a folder to look into.
  const homeOf = path => (isSet(folderOf(path)) ? folderOf(folderOf(path)) : folderOf(path));
  const weigh = rows => {
    const bytes = rows.reduce((sum, r) => sum + r.file.bytes, 0);
    const text = bytes < 1000 ? `${bytes} B` : bytes < 999500 ? `${+(bytes / 1000).toFixed(bytes < 99500 ? 1 : 0)} kB` : `${(bytes / 1e6).toFixed(1)} MB`;
    return (rows.some(r => r.file.isEstimate) ? '~' : '') + text;
  };
  Alpine.data('pack', () => ({
    model: kalypto.read('pack'),
    chosen: '',
    refusal: '',
    search: '',
    platform: '',
    kind: '',
    screen: '',
    format: '',
    sort: 'path',
    view: localStorage.getItem('kalypto-pack') ?? 'cards',
    shown: most,
    asked: '',

    init() {
      kalypto.onChanged(this.project, () => this.refresh());
      this.$watch('view', view => localStorage.setItem('kalypto-pack', view));
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
    get kinds() { return [...new Set(this.model.files.map(f => f.kind))].sort(); },
    get formats() { return [...new Set(this.model.files.map(f => f.file.format))].sort(); },
    get filtered() {
      const words = this.search.toLowerCase().trim();
      return this.model.files.filter(f => (!this.platform || f.file.platform === this.platform) && (!this.kind || f.kind === this.kind) && (!this.format || f.file.format === this.format)
        && (!this.screen || f.screen === this.screen || f.screen.startsWith(`${this.screen} and `)) && (!words || `${f.layer} ${f.file.path}`.toLowerCase().includes(words)));
    },
    get inFolder() {
      const files = this.filtered.filter(f => !this.chosen || homeOf(f.file.path) === this.chosen || f.file.path.startsWith(`${this.chosen}/`));
      const by = { name: f => f.layer.toLowerCase(), weight: f => -f.file.bytes }[this.sort];
      return by ? [...files].sort((a, b) => (by(a) < by(b) ? -1 : by(a) > by(b) ? 1 : 0)) : files;
    },
    get shownFiles() { return this.inFolder.slice(0, this.shown); },
    get hidden() { return Math.max(0, this.inFolder.length - this.shown); },
    showMore() { this.shown += most; },
    get tree() {
      const folders = new Map([['', []]]);
      for (const row of this.filtered) {
        folders.get('').push(row);
        for (let folder = homeOf(row.file.path); folder; folder = folderOf(folder)) {
          folders.set(folder, [...folders.get(folder) ?? [], row]);
        }
      }
      return [...folders].sort(([a], [b]) => (a < b ? -1 : 1)).map(([path, rows]) => ({
        path, label: path ? `${path.slice(path.lastIndexOf('/') + 1)}/` : 'the whole pack', depth: path ? path.split('/').length : 0, files: rows.length, weight: weigh(rows),
      }));
    },
    get groups() {
      const groups = new Map();
      for (const row of this.shownFiles) {
        const path = this.sort === 'path' ? homeOf(row.file.path) : row.file.platform;
        const group = groups.get(path) ?? { path, cards: new Map(), sideFiles: this.model.sideFiles.filter(s => homeOf(s) === path).map(s => s.slice(path.length + 1)) };
        const card = group.cards.get(row.of) ?? { key: `${path} ${row.of}`, name: row.layer, kind: row.kind, screen: row.screen, link: row.link, findings: row.findings, files: [], pictures: [], credit: row.file.credit };
        card.files.push(row.file);
        if (row.file.picture && row.file.canShow && card.pictures.length < 3) {
          card.pictures.push(row.file.picture);
        }
        group.cards.set(row.of, card);
        groups.set(path, group);
      }
      this.lookAt(this.shownFiles);
      return [...groups.values()].map(g => ({ ...g, cards: [...g.cards.values()] }));
    },
    // What is shown is drawn first.
    lookAt(rows) {
      const keys = rows.filter(r => r.file.isEstimate).slice(0, 60).map(r => r.file.key);
      const asked = `${this.chosen}|${keys.length}`;
      if (keys.length && asked !== this.asked && this.filtered.length < this.model.files.length + (this.chosen ? 1 : 0)) {
        this.asked = asked;
        kalypto.post(`/api/projects/${this.project}/pack/looked`, { keys });
      }
    },
    get sumTables() {
      const by = { platform: f => f.file.platform, format: f => f.file.format, size: f => f.file.size, kind: f => f.kind, screen: f => f.screen.split(' and ')[0] };
      const all = this.inFolder.reduce((sum, r) => sum + r.file.bytes, 0) || 1;
      return Object.entries(by).map(([name, of]) => {
        const groups = Map.groupBy(this.inFolder, of);
        return { name, rows: [...groups].map(([value, rows]) => ({ name: value, files: rows.length, weight: weigh(rows), share: rows.reduce((sum, r) => sum + r.file.bytes, 0) / all })).sort((a, b) => b.share - a.share) };
      });
    },
    get sumText() {
      const rows = this.inFolder;
      return rows.length === this.model.files.length ? `${this.model.sum.files} files · ${this.model.sum.weight}` : `${rows.length} of ${this.model.sum.files} files · ${weigh(rows)}`;
    },
    get whyNot() { return this.model.sum.canBuild ? '' : this.model.sum.firstBlocker || 'Nothing ships yet, so there is nothing to build.'; },
    get partText() {
      const parts = [this.platform && (document.querySelector(`.pill[data-platform="${this.platform}"]`)?.firstChild.textContent.trim() ?? this.platform), this.screen].filter(Boolean);
      return parts.length ? `${parts.join(', ')}` : '';
    },
    closer(file) { return `/projects/${this.project}/closer/${file.key}`; },
    clear() { [this.search, this.platform, this.kind, this.screen, this.format, this.chosen] = ['', '', '', '', '', '']; },
    showCards() { this.view = 'cards'; },
    showList() { this.view = 'list'; },
    showSums() { this.view = 'sums'; },
    isOpen(folder) {
      return folder.path === this.chosen;
    },
    treeClass(folder) {
      return `depth-${Math.min(folder.depth, 6)}`;
    },
    openFolder(folder) {
      this.chosen = folder.path;
      this.shown = most;
    },
    async choosePlatform(event) {
      const button = event.target.closest('button');
      const on = button.getAttribute('aria-pressed') !== 'true';
      button.setAttribute('aria-pressed', on);
      await kalypto.post(`/api/projects/${this.project}/platforms`, { platform: button.dataset.platform, on });
      this.chosen = '';
      this.refresh();
    },
    build() {
      return this.begin({});
    },
    buildPart() {
      const screen = this.model.screens.find(s => s.name === this.screen);
      return this.begin({ platform: this.platform || null, design: screen?.design ?? null, screen: screen?.root ?? null });
    },
    async begin(ask) {
      const answer = await kalypto.post(`/api/projects/${this.project}/builds`, ask);
      if (answer.failed) {
        this.refusal = answer.message;
      } else {
        location.href = `/projects/${this.project}/deliveries`;
      }
    },
  }));
});
