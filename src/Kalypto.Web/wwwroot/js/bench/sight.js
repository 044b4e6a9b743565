// Only the rows that are in sight have elements: thousands of them would make the page slow.
const overscan = 4;
const usualDetail = 180;

export const sight = {
  scrollTop: 0,
  viewHeight: 600,
  rowHeight: 34,
  detailHeights: {},

  startRows() {
    const box = this.$refs.rows;
    const measure = () => {
      this.viewHeight = box.clientHeight;
      this.$nextTick(() => this.reveal());
      this.rowHeight = parseInt(getComputedStyle(box).getPropertyValue('--row'), 10) || 34;
    };
    box.addEventListener('scroll', () => { this.scrollTop = box.scrollTop; }, { passive: true });
    new ResizeObserver(measure).observe(box);
    measure();
    this.heights = new ResizeObserver(entries => entries.forEach(e => {
      this.detailHeights = { ...this.detailHeights, [e.target.dataset.layer]: e.target.offsetHeight };
    }));
  },
  watchHeight(element) {
    this.heights.observe(element);
  },
  heightOf(row) {
    return this.rowHeight + (this.isOpen(row) ? this.detailHeights[row.ordinal] ?? usualDetail : 0);
  },
  get openedPlaces() {
    return this.opened.map(o => this.placeOfRow(o)).filter(i => i >= 0 && this.details[this.shownRows[i].ordinal]).sort((a, b) => a - b);
  },
  topOf(index) {
    return index * this.rowHeight + this.openedPlaces.filter(i => i < index).reduce((sum, i) => sum + this.heightOf(this.shownRows[i]) - this.rowHeight, 0);
  },
  indexAt(y) {
    let index = Math.floor(y / this.rowHeight);
    while (index > 0 && this.topOf(index) > y) {
      index -= Math.max(1, Math.floor((this.topOf(index) - y) / this.rowHeight / 2));
    }
    return Math.max(0, index);
  },
  // A list that got shorter is shown from where it can still be scrolled to.
  get topInSight() {
    return Math.max(0, Math.min(this.scrollTop, this.topOf(this.shownRows.length) - this.viewHeight / 2));
  },
  get firstInSight() {
    return Math.max(0, Math.min(this.indexAt(this.topInSight) - overscan, this.shownRows.length - 1));
  },
  // Each row in sight keeps its element while it is in sight: scrolling by three rows writes three.
  get slotCount() {
    return Math.ceil(this.viewHeight / this.rowHeight) + 2 * overscan + 1;
  },
  slotOf(row) {
    return this.placeOfRow(row.ordinal) % this.slotCount;
  },
  get rowsInSight() {
    const first = this.firstInSight;
    return this.shownRows.slice(first, first + this.slotCount).sort((a, b) => this.slotOf(a) - this.slotOf(b));
  },
  rowPlace(row) {
    return { transform: `translateY(${this.topOf(this.placeOfRow(row.ordinal))}px)` };
  },
  get allHeight() {
    return { height: `${this.topOf(this.shownRows.length)}px` };
  },
  rowIndex(row) {
    return this.placeOfRow(row.ordinal) + 2;
  },
  reveal() {
    const index = this.placeOfRow(this.cursor);
    const box = this.$refs.rows;
    if (index < 0) {
      return;
    }
    const head = 30;
    const top = this.topOf(index);
    const bottom = top + Math.min(this.heightOf(this.shownRows[index]), box.clientHeight - 2 * head);
    if (top < box.scrollTop) {
      box.scrollTop = top;
    } else if (bottom > box.scrollTop + box.clientHeight - head) {
      box.scrollTop = bottom - box.clientHeight + head;
    }
    this.scrollTop = box.scrollTop;
  },
};
