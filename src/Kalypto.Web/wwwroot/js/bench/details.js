// What an opened row shows: the picture at every scale, the files, what holds and whence.
import * as server from '../server.js';

export const details = {
  opened: [],
  details: {},

  isOpen(row) {
    return this.opened.includes(row.ordinal) && !!this.details[row.ordinal];
  },
  detailOf(row) {
    return this.details[row.ordinal] ?? { scales: [], paths: [], names: [], places: [], states: [], values: [], shape: null };
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
    const detail = await server.get(`/api/projects/${this.model.project}/designs/${this.model.design}/layers/${ordinal}`);
    if (!detail.failed) {
      this.details = { ...this.details, [ordinal]: { ...detail, shownState: detail.states.findIndex(s => s.here) } };
    }
  },
  // The states of a button, one after the other in the same place.
  flip(row) {
    const detail = this.details[row.ordinal];
    this.details = { ...this.details, [row.ordinal]: { ...detail, shownState: (detail.shownState + 1) % detail.states.length } };
  },
  flipped(row) {
    return this.detailOf(row).states[this.detailOf(row).shownState] ?? { picture: '', label: '' };
  },
};
