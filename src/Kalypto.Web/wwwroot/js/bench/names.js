// Names: in place, with the files that come of them, and many at once.
import { focusShown } from '../focus.js';
import * as server from '../server.js';

export const names = {
  editing: null,
  newName: '',
  nameFiles: '',
  nameProblem: '',
  offered: '',
  rename: { find: '', replace: '', isExpression: false, style: 'AsTyped', start: 1, suggest: false },
  renamed: { rows: [], mistake: '', changed: 0, problems: 0 },

  startName(row) {
    if (!row) {
      return;
    }
    this.cursor = row.ordinal;
    this.newName = row.name;
    this.nameFiles = '';
    this.nameProblem = '';
    this.offered = '';
    this.editing = row.ordinal;
    this.offerName(row.ordinal);
  },
  focusName(input) {
    this.$nextTick(() => {
      input.focus();
      input.select();
    });
  },
  async offerName(ordinal) {
    const answer = await server.post(this.path('rename/preview'), this.place({ layers: [ordinal], find: '', replace: '', isExpression: false, style: 'AsTyped', start: 1, suggest: true }));
    if (this.editing === ordinal && !answer.failed && answer.rows.length) {
      this.offered = answer.rows[0].after;
    }
  },
  // What the files would be called, while it is typed.
  nameTyped() {
    clearTimeout(this.timers.name);
    const ordinal = this.editing;
    this.timers.name = setTimeout(async () => {
      // A brace would be read as a slot of a pattern.
      const answer = await server.post(this.path('rename/preview'), this.place({ layers: [ordinal], find: '', replace: this.newName.replace(/[{}]/g, ''), isExpression: false, style: 'AsTyped', start: 1, suggest: false }));
      if (this.editing === ordinal && !answer.failed && answer.rows.length) {
        this.nameFiles = answer.rows[0].files;
        this.nameProblem = answer.rows[0].problem ?? '';
      }
    }, 200);
  },
  takeOffer() {
    this.newName = this.offered || this.newName;
    this.nameTyped();
  },
  async saveName() {
    if (this.editing === null) {
      return;
    }
    const row = this.rowOf(this.editing);
    this.editing = null;
    const name = this.newName.trim();
    if (row && name !== row.name) {
      this.take(await this.change('edit', this.place({ layers: [row.ordinal], name: name === row.drawnName ? '' : name })));
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
    } else if (event.key === 'ArrowDown' && this.offered) {
      event.preventDefault();
      this.takeOffer();
    } else if (event.key === 'Tab') {
      event.preventDefault();
      this.saveName();
      this.move(event.shiftKey ? -1 : 1);
      this.startName(this.rowOf(this.cursor));
    }
  },
  // ---- many at once
  openRename() {
    this.openDrawer('rename');
    this.previewRename();
    focusShown(this, () => this.$refs.renameFind);
  },
  setStyle(event) {
    this.rename.style = event.target.value;
    this.previewRename();
  },
  suggestNames() {
    this.rename.suggest = !this.rename.suggest;
    this.previewRename();
  },
  get renameBody() {
    return this.place({ ...this.rename, start: Number(this.rename.start) || 0 });
  },
  previewRename() {
    clearTimeout(this.timers.rename);
    this.timers.rename = setTimeout(async () => {
      const answer = await server.post(this.path('rename/preview'), this.renameBody);
      if (!answer.failed) {
        this.renamed = answer;
      }
    }, 150);
  },
  get renameText() {
    const { rows, changed, problems } = this.renamed;
    return `${changed} of ${rows.length} get a new name${problems ? `, ${problems} with a problem` : ''}`;
  },
  get renameShown() {
    return this.renamed.rows.slice(0, 200);
  },
  async applyRename() {
    if (this.take(await this.change('rename', this.renameBody)) && !this.mistakes.length) {
      this.closeDrawer();
    }
  },
  renameKey(event) {
    if (event.key === 'Enter') {
      event.preventDefault();
      this.applyRename();
    } else if (event.key === 'Escape') {
      this.closeDrawer();
    }
  },
};
