// The bench: picture and ledger of one screen. Every rule is the server's; this shows, picks and sends.
const decisions = ['open', 'ship', 'code', 'leave'];
const weightText = (bytes, estimate) => (estimate ? '~' : '') + (bytes < 1000 ? `${bytes} B`
  : bytes < 99_500 ? `${Math.round(bytes / 100) / 10} kB` : bytes < 999_500 ? `${Math.round(bytes / 1000)} kB` : `${(bytes / 1e6).toFixed(1)} MB`);
const count = (n, noun) => `${n} ${noun}${n === 1 ? '' : 's'}`;

document.addEventListener('alpine:init', () => {
  Alpine.data('bench', () => ({
    model: kalypto.read('bench'),
    words: kalypto.read('tag-words'),
    cursor: 0,
    picked: [],
    folded: [],
    opened: [],
    details: {},
    search: '',
    show: 'all',
    editing: null,
    newName: '',
    line: '',
    lineIsActive: false,
    effect: '',
    mistakes: [],
    message: '',
    help: false,
    band: null,
    down: null,
    timers: {},
    started: 0,
    pending: 0,

    init() {
      const wanted = location.hash.startsWith('#layer-') ? Number(location.hash.slice(7)) : -1;
      this.cursor = this.rowOf(wanted) ? wanted : this.model.rows[0].ordinal;
      if (this.rowOf(wanted)) {
        this.picked = [wanted];
        this.$nextTick(() => this.reveal());
      }
      kalypto.onDrawn(this.model.project, () => this.refresh());
    },

    // ---- rows
    rowOf(ordinal) {
      return this.model.rows.find(r => r.ordinal === ordinal);
    },
    get visibleRows() {
      const words = this.search.toLowerCase().trim();
      const hiddenBelow = new Set();
      return this.model.rows.filter(row => {
        if (hiddenBelow.has(row.parent)) {
          hiddenBelow.add(row.ordinal);
          return false;
        }
        if (this.folded.includes(row.ordinal)) {
          hiddenBelow.add(row.ordinal);
        }
        return (!words || `${row.name} ${row.drawnName} ${row.kind}`.toLowerCase().includes(words)) && this.shows(row);
      });
    },
    shows(row) {
      switch (this.show) {
        case 'open': return this.isWaiting(row);
        case 'ships': return row.decision === 'ship';
        case 'findings': return row.findings.length > 0;
        default: return true;
      }
    },
    showAll() { this.show = 'all'; },
    showOpen() { this.show = 'open'; },
    showShips() { this.show = 'ships'; },
    showFindings() { this.show = 'findings'; },
    isWaiting(row) {
      return row.decision === 'open' && !row.coveredBy && row.depth > 0;
    },
    isPicked(row) {
      return this.picked.includes(row.ordinal);
    },
    rowClass(row) {
      return { picked: this.isPicked(row), cursor: row.ordinal === this.cursor, covered: row.coveredBy && row.decision === 'open', unseen: row.hidden };
    },
    indent(row) {
      return { paddingLeft: `${Math.min(row.depth, 9) * 14}px` };
    },
    nameClass(row) {
      return row.notNamed ? (row.decision === 'ship' ? 'not-named' : 'default-name') : '';
    },
    twistClass(row) {
      return { none: !row.hasChildren, folded: this.folded.includes(row.ordinal) };
    },
    noteOf(row) {
      return row.coveredBy && row.decision === 'open' ? `${row.note}${row.note ? ', ' : ''}in ${row.coveredBy}` : row.note;
    },
    signLabel(row) {
      return `${row.name}: ${row.decision}. Change`;
    },
    worst(row) {
      return row.findings.some(f => f.severity === 'blocker') ? 'blocker' : row.findings.some(f => f.severity === 'warning') ? 'warning' : 'hint';
    },
    firstFinding(row) {
      return row.findings.map(f => f.sentence).join('\n');
    },
    clickRow(row, event) {
      this.cursor = row.ordinal;
      if (event.shiftKey) {
        const rows = this.visibleRows;
        const [a, b] = [rows.findIndex(r => r.ordinal === (this.picked.at(-1) ?? row.ordinal)), rows.indexOf(row)].sort((x, y) => x - y);
        this.picked = rows.slice(Math.max(0, a), b + 1).map(r => r.ordinal);
      } else if (event.ctrlKey || event.metaKey) {
        this.togglePick(row);
      } else {
        this.picked = [row.ordinal];
      }
      this.lineChanged();
    },
    togglePick(row) {
      this.picked = this.isPicked(row) ? this.picked.filter(o => o !== row.ordinal) : [...this.picked, row.ordinal];
      this.lineChanged();
    },
    fold(row) {
      this.folded = this.folded.includes(row.ordinal) ? this.folded.filter(o => o !== row.ordinal) : [...this.folded, row.ordinal];
    },
    isOpen(row) {
      return this.opened.includes(row.ordinal) && !!this.details[row.ordinal];
    },
    detailOf(row) {
      return this.details[row.ordinal] ?? { scales: [], paths: [], names: [] };
    },
    shownWidth(file) {
      return Math.min(file.width, 160);
    },
    async toggleOpen(row) {
      if (this.opened.includes(row.ordinal)) {
        this.opened = this.opened.filter(o => o !== row.ordinal);
        return;
      }
      await this.loadDetail(row.ordinal);
      this.opened = [...this.opened, row.ordinal];
      this.$nextTick(() => this.reveal());
    },
    async loadDetail(ordinal) {
      const detail = await kalypto.get(`/api/projects/${this.model.project}/designs/${this.model.design}/layers/${ordinal}`);
      if (!detail.failed) {
        this.details = { ...this.details, [ordinal]: detail };
      }
    },
    reveal() {
      document.getElementById(`layer-${this.cursor}`)?.scrollIntoView({ block: 'nearest' });
    },
    move(by) {
      const rows = this.visibleRows;
      const at = rows.findIndex(r => r.ordinal === this.cursor);
      const next = rows[Math.min(rows.length - 1, Math.max(0, at + by))];
      if (next) {
        this.cursor = next.ordinal;
        this.$nextTick(() => this.reveal());
      }
    },
    nextOpen() {
      const rows = this.model.rows;
      const at = rows.findIndex(r => r.ordinal === this.cursor);
      const next = [...rows.slice(at + 1), ...rows.slice(0, at + 1)].find(r => this.isWaiting(r));
      if (!next) {
        this.say('Everything on this screen is decided');
        return;
      }
      this.folded = this.folded.filter(o => !picking.isAround(rows, o, next.ordinal));
      this.show = this.show === 'ships' || this.show === 'findings' ? 'all' : this.show;
      this.search = '';
      this.cursor = next.ordinal;
      this.picked = [];
      this.$nextTick(() => this.reveal());
    },

    // ---- edits
    get targets() {
      return this.picked.length ? [...this.picked] : [this.cursor];
    },
    place(more) {
      return { design: this.model.design, screen: this.model.index, layers: this.targets, ...more };
    },
    async edit(change) {
      return this.take(await this.change(`/api/projects/${this.model.project}/edit`, this.place(change)));
    },
    // Counts edits, so that an answer from before an edit never shows over the answer to it.
    async change(url, body) {
      this.started++;
      this.pending++;
      const answer = await kalypto.post(url, body);
      this.pending--;
      return answer;
    },
    take(answer) {
      if (answer.failed) {
        this.say(answer.message);
        return false;
      }
      this.model = answer.bench;
      this.mistakes = answer.mistakes;
      if (answer.done) {
        this.say(answer.done);
      }
      this.opened.forEach(o => this.loadDetail(o));
      return true;
    },
    async refresh() {
      if (this.pending) {
        return;
      }
      const { started } = this;
      const answer = await kalypto.get(`/api/projects/${this.model.project}/bench/${this.model.design}/${this.model.index}`);
      if (!answer.failed && started === this.started) {
        this.model = answer.bench;
        this.opened.forEach(o => this.loadDetail(o));
      }
    },
    say(text) {
      this.message = text;
      clearTimeout(this.timers.message);
      this.timers.message = setTimeout(() => { this.message = ''; }, 4000);
    },
    decide(decision) {
      return this.edit({ decision });
    },
    decideShip() { this.decide('Ship'); },
    decideCode() { this.decide('Code'); },
    decideLeave() { this.decide('Leave'); },
    decideOpen() { this.decide('Open'); },
    cycle(row) {
      this.cursor = row.ordinal;
      if (!this.isPicked(row)) {
        this.picked = [row.ordinal];
      }
      const next = decisions[(decisions.indexOf(row.decision) + 1) % decisions.length];
      this.decide(next[0].toUpperCase() + next.slice(1));
    },
    async undo() {
      this.take(await this.change(`/api/projects/${this.model.project}/undo`, this.place()));
    },
    async redo() {
      this.take(await this.change(`/api/projects/${this.model.project}/redo`, this.place()));
    },
    applyFix(row, finding) {
      this.picked = [row.ordinal];
      this.cursor = row.ordinal;
      const change = {};
      if (finding.shipName) { change.name = finding.shipName; }
      if (finding.decision) { change.decision = finding.decision; }
      if (finding.tags) { change.tags = finding.tags; }
      this.edit(change);
    },

    // ---- names
    startName(row) {
      this.cursor = row.ordinal;
      this.newName = row.name;
      this.editing = row.ordinal;
    },
    focusName(input) {
      this.$nextTick(() => {
        input.focus();
        input.select();
      });
    },
    async saveName() {
      if (this.editing === null) {
        return;
      }
      const row = this.rowOf(this.editing);
      this.editing = null;
      const name = this.newName.trim();
      if (name !== row.name) {
        this.take(await this.change(`/api/projects/${this.model.project}/edit`, this.place({ layers: [row.ordinal], name: name === row.drawnName ? '' : name })));
      }
    },
    // The keyboard goes on at once: nobody waits for the server, and no key is lost.
    nameKey(event) {
      if (event.key === 'Enter') {
        event.preventDefault();
        this.saveName();
        this.focusRows();
      } else if (event.key === 'Escape') {
        this.editing = null;
        this.focusRows();
      } else if (event.key === 'Tab') {
        event.preventDefault();
        this.saveName();
        this.move(event.shiftKey ? -1 : 1);
        this.startName(this.rowOf(this.cursor));
      }
    },

    focusRows() {
      document.querySelector('.rows').focus();
    },

    // ---- tag line
    get pickedText() {
      return this.picked.length === 1 ? this.rowOf(this.picked[0])?.name ?? '' : this.picked.length ? `${this.picked.length} layers picked` : this.rowOf(this.cursor)?.name ?? '';
    },
    get sharedTags() {
      const [first, ...others] = this.targets.map(o => this.rowOf(o)?.tags ?? []);
      return first.filter(tag => others.every(tags => tags.includes(tag)));
    },
    get completions() {
      if (!this.lineIsActive) {
        return [];
      }
      const last = this.line.split(' ').at(-1).replace(/^-/, '');
      return this.words.filter(w => w.form.startsWith(last) && w.form !== last).slice(0, 7);
    },
    complete(word) {
      const parts = this.line.split(' ');
      const minus = parts.at(-1).startsWith('-') ? '-' : '';
      parts[parts.length - 1] = minus + (minus && word.form.includes(':') ? word.form.split(':')[0] : word.form);
      this.line = parts.join(' ');
      this.lineChanged();
    },
    lineFocus() { this.lineIsActive = true; },
    lineBlur() { this.lineIsActive = false; },
    lineChanged() {
      clearTimeout(this.timers.line);
      this.effect = '';
      if (!this.line.trim()) {
        this.mistakes = [];
        return;
      }
      this.timers.line = setTimeout(async () => {
        const typed = this.line;
        const answer = await kalypto.post(`/api/projects/${this.model.project}/preview`, this.place({ tags: typed }));
        if (!answer.failed && typed === this.line) {
          // While a word is still being typed it is no mistake yet.
          const unfinished = !typed.endsWith(' ') && this.completions.length > 0;
          this.mistakes = unfinished ? [] : answer.mistakes;
          this.effect = answer.effect;
        }
      }, 150);
    },
    async lineKey(event) {
      if (event.key === 'Enter') {
        event.preventDefault();
        clearTimeout(this.timers.line);
        if (this.line.trim() && await this.edit({ tags: this.line }) && !this.mistakes.length) {
          this.line = '';
          this.effect = '';
          this.focusRows();
        }
      } else if (event.key === 'Tab' && this.completions.length && this.line.trim() && !this.line.endsWith(' ')) {
        event.preventDefault();
        this.complete(this.completions[0]);
      } else if (event.key === 'Escape') {
        this.focusRows();
      }
    },
    takeAway(tag) {
      this.edit({ tags: tag.startsWith('-') ? tag.slice(1) : `-${tag.split(':')[0]}` });
    },

    // ---- sums
    get pickedSum() {
      const rows = this.targets.map(o => this.rowOf(o)).filter(Boolean);
      const files = rows.reduce((sum, r) => sum + r.files, 0);
      return `${count(files, 'file')} · ${weightText(rows.reduce((sum, r) => sum + r.bytes, 0), rows.some(r => r.files && r.isEstimate))}`;
    },
    get packSum() {
      const sum = this.model.sum;
      return `${count(sum.layers, 'layer')} → ${count(sum.files, 'file')} · ${sum.weight}`;
    },
    get whyNoBuild() {
      return this.model.sum.firstBlocker ?? (this.model.sum.layers ? '' : 'Nothing ships yet');
    },
    stripScreen(design, index) {
      return this.model.strip.find(s => s.design === Number(design) && s.index === Number(index));
    },
    decidedOn(design, index) {
      const s = this.stripScreen(design, index);
      return s.decided === s.total ? `all ${s.total} decided` : `${s.decided} of ${s.total} decided`;
    },
    shareOn(design, index) {
      const s = this.stripScreen(design, index);
      return Math.round(100 * s.decided / Math.max(1, s.total));
    },
    async build() {
      const answer = await kalypto.post(`/api/projects/${this.model.project}/builds`);
      if (answer.failed) {
        this.say(answer.message);
      } else {
        location.href = `/projects/${this.model.project}/deliveries`;
      }
    },

    // ---- picture
    get pictureShape() {
      const [, , width, height] = this.model.screen.box;
      return { aspectRatio: `${width}/${height}`, '--wide': String(width / height) };
    },
    placeOf(box) {
      const [, , width, height] = this.model.screen.box;
      return { left: `${100 * box[0] / width}%`, top: `${100 * box[1] / height}%`, width: `${100 * box[2] / width}%`, height: `${100 * box[3] / height}%` };
    },
    get marks() {
      const shown = this.model.rows.filter(r => r.box && r.depth > 0 && (r.decision !== 'open' || this.isPicked(r) || r.ordinal === this.cursor) && (!r.hidden || this.isPicked(r)));
      return shown.map(r => ({
        key: r.ordinal,
        kind: { [r.decision]: true, picked: this.isPicked(r) || (!this.picked.length && r.ordinal === this.cursor) },
        place: this.placeOf(r.box),
        label: this.isPicked(r) || (!this.picked.length && r.ordinal === this.cursor) ? r.size : '',
      }));
    },
    pointOf(event) {
      const frame = this.$refs.picture.getBoundingClientRect();
      const [, , width, height] = this.model.screen.box;
      return [(event.clientX - frame.left) / frame.width * width, (event.clientY - frame.top) / frame.height * height];
    },
    pointerDown(event) {
      this.down = this.pointOf(event);
      event.currentTarget.setPointerCapture(event.pointerId);
    },
    pointerMove(event) {
      if (this.down) {
        const [x, y] = this.pointOf(event);
        const box = [Math.min(x, this.down[0]), Math.min(y, this.down[1]), Math.abs(x - this.down[0]), Math.abs(y - this.down[1])];
        this.band = box[2] + box[3] > 6 ? box : null;
      }
    },
    get bandPlace() {
      return this.placeOf(this.band ?? [0, 0, 0, 0]);
    },
    pointerUp(event) {
      if (!this.down) {
        return;
      }
      if (this.band) {
        this.picked = picking.within(this.model.rows, this.band).map(r => r.ordinal);
      } else {
        const current = this.picked.length === 1 ? this.picked[0] : null;
        const row = picking.at(this.model.rows, ...this.down, current);
        if (row && (event.ctrlKey || event.metaKey || event.shiftKey)) {
          this.togglePick(row);
        } else {
          this.picked = row ? [row.ordinal] : [];
        }
      }
      this.down = null;
      this.band = null;
      if (this.picked.length) {
        this.cursor = this.picked.at(-1);
        this.folded = this.folded.filter(o => !picking.isAround(this.model.rows, o, this.cursor));
        this.$nextTick(() => this.reveal());
      }
      this.lineChanged();
    },

    // ---- keys
    toggleHelp() {
      this.help = !this.help;
    },
    key(event) {
      if (event.ctrlKey || event.metaKey || event.altKey || event.target.matches('input, textarea, select')) {
        return;
      }
      const row = this.rowOf(this.cursor);
      const onButton = event.target.matches('button, a, summary');
      const act = {
        ArrowDown: () => this.move(1),
        ArrowUp: () => this.move(-1),
        Home: () => this.move(-this.model.rows.length),
        End: () => this.move(this.model.rows.length),
        ArrowRight: () => { if (row?.hasChildren && this.folded.includes(row.ordinal)) { this.fold(row); } },
        ArrowLeft: () => { if (row?.hasChildren && !this.folded.includes(row.ordinal)) { this.fold(row); } },
        ' ': onButton ? null : () => this.togglePick(row),
        Enter: onButton ? null : () => this.toggleOpen(row),
        s: () => this.decide('Ship'),
        c: () => this.decide('Code'),
        l: () => this.decide('Leave'),
        o: () => this.decide('Open'),
        n: () => this.startName(row),
        '.': () => this.nextOpen(),
        '/': () => this.$refs.line.focus(),
        z: () => this.undo(),
        Z: () => this.redo(),
        '?': () => this.toggleHelp(),
        Escape: () => { this.help = false; this.picked = []; },
      }[event.key];
      if (act) {
        event.preventDefault();
        act();
      }
    },
  }));
});
