// Which layers lie under the pointer, or inside a drawn rectangle. Boxes are [left, top, width, height] in pt.
const holds = (box, x, y) => box && x >= box[0] && x <= box[0] + box[2] && y >= box[1] && y <= box[1] + box[3];
const inside = (box, outer) => box && box[0] >= outer[0] && box[1] >= outer[1]
  && box[0] + box[2] <= outer[0] + outer[2] && box[1] + box[3] <= outer[1] + outer[3];

export const picking = {
  // The outermost layer under the point; one level in when that one is picked already.
  at(rows, x, y, picked) {
    const childrenOf = parent => rows.filter(r => r.parent === parent && !r.hidden && r.depth > 0);
    let parent = rows[0].ordinal;
    let found = null;
    for (;;) {
      const next = childrenOf(parent).filter(r => holds(r.box, x, y)).at(-1);
      if (!next) {
        return found;
      }
      found = next;
      const goesIn = picked === next.ordinal || this.isAround(rows, next.ordinal, picked);
      if (!goesIn || !next.hasChildren) {
        return found;
      }
      parent = next.ordinal;
    }
  },

  // True when the layer lies around the other one.
  isAround(rows, around, ordinal) {
    const byOrdinal = new Map(rows.map(r => [r.ordinal, r]));
    for (let row = byOrdinal.get(ordinal); row; row = byOrdinal.get(row.parent)) {
      if (row.parent === around) {
        return true;
      }
    }
    return false;
  },

  // The outermost layers that lie wholly inside a rectangle.
  within(rows, rectangle) {
    const taken = new Set();
    return rows.filter(row => {
      if (row.depth === 0 || row.hidden || taken.has(row.parent)) {
        if (taken.has(row.parent)) {
          taken.add(row.ordinal);
        }
        return false;
      }
      const fits = inside(row.box, rectangle);
      if (fits) {
        taken.add(row.ordinal);
      }
      return fits;
    });
  },
};
