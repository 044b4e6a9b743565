// The wall of screens: named in place, ordered by dragging and by keys, split as proposed.
import * as server from './server.js';

export const screens = () => ({
  renaming: false,

  get path() {
    const { project, design } = this.$root.dataset;
    return `/api/projects/${project}/designs/${design}`;
  },
  get roots() {
    return [...this.$root.querySelectorAll('.screen-card')].map(c => Number(c.dataset.root));
  },
  async change(wish, focus) {
    const answer = await server.post(`${this.path}/screens`, wish);
    if (answer.failed) {
      alert(answer.message);
    }
    await this.reload(focus);
    window.dispatchEvent(new CustomEvent('changed'));
  },
  // The server writes the wall; only this part of the page is taken anew.
  async reload(focus) {
    const page = new DOMParser().parseFromString(await (await fetch(location.href)).text(), 'text/html');
    const { design } = this.$root.dataset;
    const fresh = page.querySelector(`.design[data-design="${design}"]`);
    if (!fresh) {
      location.reload();
      return;
    }
    this.$root.replaceWith(fresh);
    if (focus) {
      document.querySelector(focus)?.focus();
    }
  },
  split(event) {
    this.change({ do: 'split', by: event.currentTarget.dataset.by });
  },
  rename(event) {
    this.change({ do: 'rename', root: Number(event.target.dataset.root), name: event.target.value });
  },
  blur(event) {
    event.target.blur();
  },
  move(event) {
    const { root, by } = event.currentTarget.dataset;
    const at = this.roots.indexOf(Number(root));
    this.change({ do: 'move', root: Number(root), to: Math.max(0, at + Number(by)) }, `[data-root="${root}"][data-by="${by}"]`);
  },
  dragStart(event) {
    event.dataTransfer.setData('text/kalypto-screen', event.currentTarget.dataset.root);
  },
  dropOn(event) {
    const root = Number(event.dataTransfer.getData('text/kalypto-screen'));
    const to = this.roots.indexOf(Number(event.currentTarget.dataset.root));
    if (this.roots.includes(root) && to >= 0) {
      this.change({ do: 'move', root, to });
    }
  },
  async drawnAt(event) {
    await this.ofDesign('said', { drawnAt: Number(event.currentTarget.dataset.value) });
    this.reload();
  },
  // ---- the design as a whole
  async ofDesign(end, body) {
    const answer = await server.post(`${this.path}/${end}`, body);
    if (answer.failed) {
      alert(answer.message);
    }
    this.$dispatch('changed');
    return !answer.failed;
  },
  async bringWaiting() {
    const { project, design } = this.$root.dataset;
    if (await this.ofDesign('waiting')) {
      location.href = `/projects/${project}/designs/${design}/changes`;
    }
  },
  async draftBefore() {
    if (await this.ofDesign('before')) {
      location.reload();
    }
  },
  async renew() {
    const { project, design } = this.$root.dataset;
    if (await this.ofDesign('renew')) {
      location.href = `/projects/${project}/designs/${design}/changes`;
    }
  },
  startRename() {
    this.renaming = true;
    this.$nextTick(() => this.$refs.name.select());
  },
  nameLeft() { this.renaming = false; },
  async renameDesign(event) {
    await this.ofDesign('said', { name: event.target.value });
    this.reload();
  },
  async moveDesign(event) {
    if (await this.ofDesign('said', { by: Number(event.currentTarget.dataset.by) })) {
      location.reload();
    }
  },
  async removeDesign() {
    const { $root: section } = this;
    if (await this.ofDesign('removed', { value: true })) {
      section.remove();
    }
  },
});
