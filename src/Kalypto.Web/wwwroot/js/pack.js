// The pack page: every file to come, as folders, cards, a list and sums, and what is drawn ahead of the build.
import * as server from './server.js';

const most = 240;
export const pack = () => ({
  model: server.read('pack'),
  folder: '',
  refusal: '',
  line: '',
  search: '',
  platform: '',
  kind: '',
  screen: '',
  format: '',
  by: 'path',
  view: localStorage.getItem('kalypto-pack') ?? 'cards',
  most,
  asked: 0,
  looked: '',
  timer: 0,

  init() {
    server.onChanged(this.project, () => this.refresh());
    this.$watch('view', view => {
      localStorage.setItem('kalypto-pack', view);
      this.$nextTick(() => this.lookAt());
    });
    for (const what of ['search', 'platform', 'kind', 'screen', 'format', 'by']) {
      this.$watch(what, () => {
        this.most = most;
        clearTimeout(this.timer);
        this.timer = setTimeout(() => this.refresh(), what === 'search' ? 200 : 0);
      });
    }
    addEventListener('scroll', () => this.scrolled(), { passive: true });
    this.$nextTick(() => this.lookAt());
  },
  get project() {
    return this.$root.dataset.project;
  },
  get part() {
    const [design, root] = this.screen ? this.screen.split('.').map(Number) : [null, null];
    // What is shown is what can be built by itself.
    return { platform: this.platform || null, design, screen: root, kind: this.kind || null, format: this.format || null, search: this.search.trim() || null, folder: this.folder || null };
  },
  // The newest question gets the answer that is shown.
  async refresh() {
    const asked = ++this.asked;
    const { by, most } = this;
    const query = new URLSearchParams(Object.entries({ ...this.part, by, most }).filter(([, value]) => value !== null && value !== ''));
    const model = await server.get(`/api/projects/${this.project}/pack?${query}`);
    if (!model.failed && asked === this.asked) {
      this.model = model;
      this.$nextTick(() => this.lookAt());
    }
  },
  get hidden() { return Math.max(0, this.model.found - this.model.files.length); },
  showMore() {
    this.most += most;
    this.refresh();
  },
  get tree() {
    return this.model.folders.map(({ name, files, weight }) => ({
      path: name, label: name ? `${name.slice(name.lastIndexOf('/') + 1)}/` : 'the whole pack', depth: name ? name.split('/').length : 0, files, weight,
    }));
  },
  get groups() {
    const groups = new Map();
    for (const row of this.model.files) {
      const path = this.by === 'path' ? row.home : row.file.platform;
      const group = groups.get(path) ?? { path, cards: new Map(), sideFiles: this.model.sideFiles.filter(s => s.slice(0, Math.max(0, s.lastIndexOf('/'))) === path).map(s => s.slice(path.length + 1)) };
      const card = group.cards.get(row.of) ?? { key: `${path} ${row.of}`, name: row.layer, kind: row.kind, screen: row.screen, link: row.link, findings: row.findings, files: [], pictures: [], credit: row.file.credit };
      card.files.push(row.file);
      if (row.file.picture && row.file.canShow && card.pictures.length < 3) {
        card.pictures.push(row.file.picture);
      }
      group.cards.set(row.of, card);
      groups.set(path, group);
    }
    return [...groups.values()].map(g => ({ ...g, cards: [...g.cards.values()] }));
  },
  scrolled() {
    clearTimeout(this.looking);
    this.looking = setTimeout(() => this.lookAt(), 150);
  },
  // What is in sight is drawn first.
  lookAt() {
    const seen = [...this.$root.querySelectorAll('[data-key]')].filter(e => {
      const box = e.getBoundingClientRect();
      return box.height && box.bottom > 0 && box.top < innerHeight;
    }).map(e => e.dataset.key);
    const open = new Set(seen);
    const keys = this.model.files.filter(r => r.file.isEstimate && open.has(r.file.key)).map(r => r.file.key).slice(0, 200);
    const looked = keys.join();
    if (keys.length && looked !== this.looked) {
      this.looked = looked;
      server.post(`/api/projects/${this.project}/pack/looked`, { keys });
    }
  },
  get sumText() {
    const { found, weight, sum } = this.model;
    return found === sum.files ? `${sum.files} files · ${sum.weight}` : `${found} of ${sum.files} files · ${weight}`;
  },
  get whyNot() { return this.model.sum.canBuild ? '' : this.model.sum.firstBlocker || 'Nothing ships yet, so there is nothing to build.'; },
  closer(file) { return `/projects/${this.project}/closer/${file.key}`; },
  clear() {
    [this.search, this.platform, this.kind, this.screen, this.format, this.folder] = ['', '', '', '', '', ''];
    this.refresh();
  },
  key(event) {
    if (event.ctrlKey || event.metaKey || event.altKey || event.target.matches('input, textarea, select')) {
      return;
    }
    const views = ['cards', 'list', 'sums'];
    const act = {
      f: () => this.$refs.search.focus(),
      v: () => { this.view = views[(views.indexOf(this.view) + 1) % views.length]; },
      b: () => this.$refs.build.focus(),
    }[event.key];
    if (act) {
      event.preventDefault();
      act();
    }
  },
  showCards() { this.view = 'cards'; },
  showList() { this.view = 'list'; },
  showSums() { this.view = 'sums'; },
  isOpen(folder) {
    return folder.path === this.folder;
  },
  treeClass(folder) {
    return `depth-${Math.min(folder.depth, 6)}`;
  },
  openFolder(folder) {
    this.folder = folder.path;
    this.most = most;
    this.refresh();
  },
  async choosePlatform(event) {
    const button = event.target.closest('button');
    const on = button.getAttribute('aria-pressed') !== 'true';
    button.setAttribute('aria-pressed', on);
    const answer = await server.post(`/api/projects/${this.project}/platforms`, { platform: button.dataset.platform, on });
    if (answer.failed) {
      this.refusal = answer.message;
      button.setAttribute('aria-pressed', !on);
      return;
    }
    this.folder = '';
    this.refresh();
  },
  build() {
    return this.begin({});
  },
  buildPart() {
    return this.begin(this.part);
  },
  async begin(ask) {
    const answer = await server.post(`/api/projects/${this.project}/builds?line=${encodeURIComponent(this.line)}`, ask);
    if (answer.failed) {
      this.refusal = answer.message;
    } else {
      location.href = `/projects/${this.project}/deliveries#new`;
    }
  },
});
