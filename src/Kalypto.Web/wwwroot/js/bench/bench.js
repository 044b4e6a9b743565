// The bench: picture and ledger of one screen. Every rule is the server's; its parts show, pick and send.
const weightText = (bytes, estimate) => (estimate ? '~' : '') + (bytes < 1000 ? `${bytes} B`
  : bytes < 99_500 ? `${Math.round(bytes / 100) / 10} kB` : bytes < 999_500 ? `${Math.round(bytes / 1000)} kB` : `${(bytes / 1e6).toFixed(1)} MB`);
const count = (n, noun) => `${n} ${noun}${n === 1 ? '' : 's'}`;

document.addEventListener('alpine:init', () => {
  Alpine.data('bench', () => {
    const bench = {
      model: {},

      init() {
        const { rows, order, ...model } = kalypto.read('bench');
        benchRows.take({ rows, order, version: model.version });
        this.model = model;
        this.revision++;
        const wanted = location.hash.startsWith('#layer-') ? Number(location.hash.slice(7)) : -1;
        this.cursor = this.rowOf(wanted) ? wanted : benchRows.list[0].ordinal;
        this.startRows();
        this.startPicture();
        if (this.rowOf(wanted)) {
          this.picked = [wanted];
        }
        this.$nextTick(() => this.reveal());
        kalypto.onChanged(this.model.project, () => this.refresh());
        document.documentElement.dataset.ready = 'bench';
      },

      // ---- sums
      get pickedSum() {
        const rows = this.revision >= 0 ? this.targets.map(o => this.rowOf(o)).filter(Boolean) : [];
        // One drawing in several places is made once.
        const made = [...new Map(rows.filter(r => r.files).map(r => [r.madeWith ?? r.ordinal, r])).values()];
        const files = made.reduce((sum, r) => sum + r.files, 0);
        return `${count(files, 'file')} · ${weightText(made.reduce((sum, r) => sum + r.bytes, 0), made.some(r => r.isEstimate))}`;
      },
      get packSum() {
        const { sum } = this.model;
        return `${count(sum.layers, 'layer')} → ${count(sum.files, 'file')} · ${sum.weight}`;
      },
      get whyNoBuild() {
        return this.model.sum.firstBlocker ?? (this.model.sum.layers ? '' : 'Nothing ships yet');
      },
      stripScreen(design, root) {
        return this.model.strip.find(s => s.design === Number(design) && s.root === Number(root)) ?? { decided: 0, total: 0 };
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
        const answer = await kalypto.post(this.path('builds'), ask);
        if (answer.failed) {
          this.say(answer.message);
        } else {
          location.href = `/projects/${this.model.project}/deliveries`;
        }
      },
    };
    for (const part of window.benchParts) {
      Object.defineProperties(bench, Object.getOwnPropertyDescriptors(part));
    }
    return bench;
  });
});
