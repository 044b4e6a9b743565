// The bench: picture and ledger of one screen. Every rule is the server's; its parts show, pick and send.
import * as server from '../server.js';
import { count, weight } from '../words.js';
import { box } from './box.js';
import { cursor } from './cursor.js';
import { details } from './details.js';
import { edits } from './edits.js';
import { get } from './get.js';
import { keys } from './keys.js';
import { losses } from './losses.js';
import { names } from './names.js';
import { picture } from './picture.js';
import { pointer } from './pointer.js';
import { rows } from './rows.js';
import { sight } from './sight.js';
import { sorting } from './sorting.js';
import { store } from './store.js';
import { tags } from './tags.js';
import { view } from './view.js';

const sums = {
  model: {},

  init() {
    this.takeModel(server.read('bench'));
    const wanted = location.hash.startsWith('#layer-') ? Number(location.hash.slice(7)) : -1;
    this.cursor = this.rowOf(wanted) ? wanted : store.list[0].ordinal;
    this.startRows();
    this.startPicture();
    if (this.rowOf(wanted)) {
      this.picked = [wanted];
    }
    this.$nextTick(() => this.reveal());
    server.onChanged(this.model.project, () => this.refresh());
    document.documentElement.dataset.ready = 'bench';
  },

  // ---- sums
  get pickedSum() {
    const rows = this.revision >= 0 ? this.targets.map(o => this.rowOf(o)).filter(Boolean) : [];
    // One drawing in several places is made once.
    const made = [...new Map(rows.filter(r => r.files).map(r => [r.madeWith ?? r.ordinal, r])).values()];
    const files = made.reduce((sum, r) => sum + r.files, 0);
    return `${count(files, 'file')} · ${weight(made.reduce((sum, r) => sum + r.bytes, 0), made.some(r => r.isEstimate))}`;
  },
  get packSum() {
    const { sum } = this.model;
    return `${count(sum.layers, 'layer')} → ${count(sum.files, 'file')} · ${sum.weight}`;
  },
  get whyNoBuild() {
    return this.model.sum.firstBlocker ?? (this.model.sum.layers ? '' : 'Nothing ships yet');
  },
  stripScreen(design, root) {
    return (this.revision >= 0 ? store.strip : []).find(s => s.design === Number(design) && s.root === Number(root)) ?? { decided: 0, total: 0 };
  },
  decidedOn(design, root) {
    const s = this.stripScreen(design, root);
    return s.decided === s.total ? `all ${s.total} decided` : `${s.decided} of ${s.total} decided`;
  },
  shareOn(design, root) {
    const s = this.stripScreen(design, root);
    return Math.round(100 * s.decided / Math.max(1, s.total));
  },
  get pickedFiles() {
    return this.picked.reduce((sum, o) => sum + (this.rowOf(o)?.files ?? 0), 0);
  },
  buildPicked() {
    return this.build({ layers: this.picked.map(ordinal => ({ design: this.model.design, ordinal })) });
  },
  buildAll() {
    return this.build({});
  },
  async build(ask) {
    const answer = await server.post(this.path('builds'), ask);
    if (answer.failed) {
      this.say(answer.message);
    } else {
      location.href = `/projects/${this.model.project}/deliveries`;
    }
  },
};

// Getters stay getters: each part is laid over the others by its descriptors.
export const bench = () => Object.defineProperties({}, Object.assign({}, ...[rows, sight, cursor, details, edits, losses, names, tags, get, box, sorting, view, picture, pointer, keys, sums].map(Object.getOwnPropertyDescriptors)));
