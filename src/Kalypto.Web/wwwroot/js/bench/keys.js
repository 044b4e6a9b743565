// Every key of the bench; each has a visible control too.
import { focusShown } from '../focus.js';

export const keys = {
  help: false,

  toggleHelp() {
    this.help = !this.help;
    if (this.help) {
      focusShown(this, () => this.$refs.help);
    }
  },
  // The strip knows which screens lie beside this one.
  toScreen(step) {
    const screens = [...this.$root.querySelectorAll('.strip-screens a')];
    screens[screens.findIndex(s => s.ariaCurrent === 'page') + step]?.click();
  },
  key(event) {
    if (event.ctrlKey || event.metaKey || event.altKey || event.target.matches('input, textarea, select')) {
      return;
    }
    const row = this.rowOf(this.cursor);
    const onButton = event.target.matches('button, a, summary');
    const act = {
      ArrowDown: () => this.move(1, event.shiftKey),
      ArrowUp: () => this.move(-1, event.shiftKey),
      PageDown: () => this.move(12, event.shiftKey),
      PageUp: () => this.move(-12, event.shiftKey),
      Home: () => this.move(-this.allRows.length),
      End: () => this.move(this.allRows.length),
      ArrowRight: () => { if (row?.hasChildren && this.folded.includes(row.ordinal)) { this.fold(row); } },
      ArrowLeft: () => { if (row?.hasChildren && !this.folded.includes(row.ordinal)) { this.fold(row); } },
      ' ': onButton ? null : () => this.togglePick(row),
      Enter: onButton ? null : () => this.toggleOpen(row),
      s: () => this.decide('Ship'),
      c: () => this.decide('Code'),
      l: () => this.decide('Leave'),
      o: () => this.decide('Open'),
      n: () => this.startName(row),
      r: () => this.openRename(),
      g: () => this.openGet(),
      y: () => this.acceptPicked(),
      x: () => this.dismissPicked(),
      j: () => this.join(),
      J: () => this.takeApart(),
      k: () => this.toggleDrawer('checks'),
      h: () => this.toggleDrawer('history'),
      b: () => this.$refs.build.focus(),
      v: () => this.nextShow(),
      u: () => this.openRules(),
      '[': () => this.toScreen(-1),
      ']': () => this.toScreen(1),
      '!': () => this.applyFirst(),
      '*': () => this.pickShown(),
      '.': () => this.nextOpen(),
      '/': () => this.$refs.line.focus(),
      f: () => this.$refs.search.focus(),
      z: () => this.undo(),
      Z: () => this.redo(),
      '?': () => this.toggleHelp(),
      1: () => this.setLens('whole'),
      2: () => this.setLens('ships'),
      3: () => this.setLens('open'),
      4: () => this.setLens('other'),
      5: () => this.setLens('nobody'),
      '+': () => this.zoom(1.25),
      '=': () => this.zoom(1.25),
      '-': () => this.zoom(0.8),
      0: () => this.fit(),
      p: () => this.toPicked(),
      a: () => this.pan(60, 0),
      d: () => this.pan(-60, 0),
      w: () => this.pan(0, 60),
      e: () => this.pan(0, -60),
      i: () => this.toggleInk(),
      Escape: () => {
        this.help = false;
        this.drawer = '';
        this.closeMenus();
        this.picked = [];
      },
    }[event.key];
    if (act) {
      event.preventDefault();
      act();
    }
  },
};
