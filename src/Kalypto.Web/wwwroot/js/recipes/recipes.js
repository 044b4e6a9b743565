// The recipes page: what each kind means, drawn by a layer of the project while it is edited.
import { focusShown } from '../focus.js';
import * as server from '../server.js';

const nothing = { effect: '', refusal: '', example: null, isSuggested: false, picture: null, why: '', files: [], weight: '' };
export const recipes = () => ({
  model: server.read('recipes'),
  kindName: 'icon',
  project: '',
  others: server.read('others'),
  edited: null,
  draft: '',
  other: null,
  isTyping: false,
  refusal: '',
  preview: nothing,
  newKind: '',
  asked: 0,
  timer: 0,

  init() {
    this.project = this.$root.dataset.project;
    const { kinds } = this.model;
    this.kindName = decodeURIComponent(location.hash.slice(1)) || (kinds.find(k => k.layers) ?? kinds[0]).kind;
    this.look();
    server.onChanged(this.project, () => this.refresh());
  },
  get kind() { return this.model.kinds.find(k => k.kind === this.kindName) ?? null; },
  get lines() { return this.kind ? this.kind.lines : []; },
  get budget() { return this.kind ? this.kind.budget : ''; },
  get isOwn() { return !!this.kind?.isOwn; },
  get isChanged() { return !!this.kind?.isChanged; },
  get allWords() { return this.edited === 'all' ? this.draft : this.model.all; },
  isOpen(kind) { return (kind ? kind.kind : '') === this.kindName; },
  openKind(kind) {
    this.kindName = kind.kind;
    history.replaceState(null, '', `#${encodeURIComponent(kind.kind)}`);
    this.back();
  },
  openProject() {
    this.kindName = '';
    this.back();
  },
  idOf(line) { return line.platform ?? 'everywhere'; },
  isEdited(line) { return this.edited === this.idOf(line); },
  isSame(line) { return !!line.platform && !this.wordsOf(line); },
  wordsOf(line) { return this.isEdited(line) ? this.draft : line.words; },
  placeholderOf(line) { return line.platform ? this.wordsOf(this.lines[0]) : 'nothing is made'; },
  edit(line) {
    if (!this.isEdited(line)) {
      this.edited = this.idOf(line);
      this.other = null;
      this.draft = line.words;
      this.look();
    }
  },
  editAll() {
    this.edited = 'all';
    this.other = null;
    this.draft = this.model.all;
  },
  typed(line) {
    this.edit(line);
    this.draft = this.$event.target.value;
    this.isTyping = true;
    this.look();
  },
  typedAll() {
    this.edited = 'all';
    this.draft = this.$event.target.value;
    this.isTyping = true;
    this.look();
  },
  get kept() {
    return this.edited === 'all' ? this.model.all : this.lines.find(l => this.idOf(l) === this.edited)?.words ?? '';
  },
  get isDirty() { return !!this.other || (this.edited !== null && this.draft.trim() !== this.kept); },
  get canKeep() { return this.isDirty && !this.preview.refusal && !this.timer; },
  get effectText() { return !this.isDirty ? '' : this.preview.refusal ? '' : !this.preview.effect ? '' : this.preview.effect === 'the same files' ? 'This changes nothing: the same files come of it' : `This changes ${this.preview.effect}`; },
  offers: { line: '', words: [] },
  fields: { formats: {} },
  get completions() {
    return this.isTyping && this.isDirty && this.offers.line === this.draft ? this.offers.words : [];
  },
  // The server knows the words of the line and what the controls beside it show; what it says of an older line is passed over.
  async readLine() {
    const { draft: line } = this;
    const [fields, words] = await Promise.all([
      server.post(`/api/projects/${this.project}/recipes/fields`, { line, field: '' }),
      this.isTyping && line && !line.endsWith(' ') ? server.post(`/api/projects/${this.project}/completions`, { line, inRecipe: true }) : [],
    ]);
    if (line === this.draft && !fields.failed) {
      this.fields = fields.fields;
      this.offers = { line, words: Array.isArray(words) ? words : [] };
    }
  },
  get folders() {
    const folders = Map.groupBy(this.preview.files, f => f.path.slice(0, -f.name.length - 1));
    return [...folders].map(([path, files]) => ({ path, files }));
  },
  get pictures() {
    const shown = this.preview.files.filter(f => f.picture && f.canShow).map(f => f.picture);
    return shown.length ? [...new Set(shown)].slice(0, 3) : this.preview.picture ? [this.preview.picture] : [];
  },
  complete(word) {
    this.draft = word.line;
    this.look();
  },
  // The icons of an app have the formats and sizes that each platform asks for.
  get takesFormats() { return this.edited === 'all' || !!this.lines.find(l => this.idOf(l) === this.edited)?.takesFormats; },
  // Other projects with a recipe of their own for this kind.
  get sources() { return this.others.filter(o => o.changed.includes(this.kindName)); },
  get wish() {
    return this.other ?? (this.edited === 'all' ? { do: 'all', tags: this.draft }
      : { do: 'words', kind: this.kindName, platform: this.edited === 'everywhere' ? null : this.edited, tags: this.draft });
  },
  // Shows what holds now, or what the draft would come to.
  look() {
    this.readLine();
    clearTimeout(this.timer);
    this.timer = setTimeout(async () => {
      const asked = ++this.asked;
      const wish = this.other || this.edited !== null ? this.wish : this.kind ? { do: 'words', kind: this.kindName, platform: null, tags: this.lines[0].words } : null;
      const answer = wish ? await server.post(`/api/projects/${this.project}/recipes/preview`, wish) : nothing;
      if (asked === this.asked && !answer.failed) {
        this.refusal = this.isDirty ? answer.refusal ?? '' : this.refusal;
        this.preview = answer.refusal ? { ...this.preview, refusal: answer.refusal, effect: '' } : { ...answer, refusal: '' };
      }
      this.timer = 0;
    }, 150);
  },
  lineKey(event) {
    if (event.key === 'Enter') {
      event.preventDefault();
      if (this.canKeep) {
        this.keep();
      }
    } else if (event.key === 'Escape') {
      this.back();
      event.target.blur();
    } else if (event.key === 'Tab' && this.completions.length && !this.draft.endsWith(' ')) {
      event.preventDefault();
      this.complete(this.completions[0]);
    }
  },
  back() {
    this.other = null;
    this.isTyping = false;
    this.edited = null;
    this.draft = '';
    this.refusal = '';
    this.preview = nothing;
    this.look();
  },
  async refresh() {
    const model = await server.get(`/api/projects/${this.project}/recipes`);
    if (!model.failed) {
      const { copyright, author, contact, suffix, byScale, byFormat, className, kotlinPackage, namespace, isWpf } = this.model;
      this.model = { ...model, copyright, author, contact, suffix, byScale, byFormat, className, kotlinPackage, namespace, isWpf };
      this.look();
    }
  },
  async change(wish) {
    const answer = await server.post(`/api/projects/${this.project}/recipes`, wish);
    if (answer.failed) {
      this.refusal = answer.message;
      return false;
    }
    this.refusal = '';
    this.model = answer;
    return true;
  },
  // What comes from elsewhere is seen before it is kept, as what is typed is.
  consider(wish) {
    this.back();
    this.other = wish;
    this.look();
  },
  async keep() {
    const { wish } = this;
    if (await this.change(wish)) {
      this.back();
      if (this.kindName && !this.kind) {
        this.openKind(this.model.kinds[0]);
      }
      // Out of the field: the next key is no letter of the recipe that is kept.
      focusShown(this, () => this.$refs.undo);
    }
  },
  key(event) {
    if (event.key === 'z' && !this.isDirty && !event.target.matches('input, select, textarea') && !event.ctrlKey && !event.metaKey) {
      event.preventDefault();
      this.undo();
    }
  },
  async undo() {
    const undone = await server.post(`/api/projects/${this.project}/undo`);
    const answer = undone.failed ? undone : await server.get(`/api/projects/${this.project}/recipes`);
    if (answer.failed) {
      this.refusal = answer.message;
    } else {
      this.model = answer;
      this.back();
    }
  },
  async addKind() {
    const kind = this.newKind.trim().toLowerCase();
    if (await this.change({ do: 'add', kind })) {
      this.newKind = '';
      this.openKind({ kind });
    }
  },
  removeKind() { this.consider({ do: 'remove', kind: this.kindName }); },
  setBudget() {
    this.change({ do: 'budget', kind: this.kind ? this.kindName : null, weight: this.$event.target.value });
  },
  saveCredit() {
    const { copyright, author, contact } = this.model;
    this.change({ do: 'credit', copyright, author, contact });
  },
  saveFolders() {
    const { byScale, byFormat, suffix } = this.model;
    this.change({ do: 'folders', byScale, byFormat, suffix });
  },
  saveBrackets() { this.change({ do: 'brackets', drawingDecides: this.$event.target.checked }); },
  get windowsApp() { return this.model.isWpf ? 'wpf' : ''; },
  set windowsApp(app) { this.model.isWpf = app === 'wpf'; },
  saveCode() {
    const { className, kotlinPackage, namespace, isWpf } = this.model;
    this.change({ do: 'code', className, kotlinPackage, namespace, isWpf });
  },
  async importFile() {
    const input = this.$event.target;
    if (input.files[0]) {
      this.consider({ do: 'import', json: await input.files[0].text() });
      input.value = '';
    }
  },
  copyKind() { this.copy(this.$refs.source, `${this.$refs.source.value} ${this.kindName}`); },
  copyFrom() { this.copy(this.$refs.from, this.$refs.from.value); },
  copy(select, value) {
    const [from, kind] = value.split(' ');
    if (select.value) {
      this.consider({ do: 'copy', from: Number(from), kind: kind ?? null });
    }
    select.value = '';
  },
});
