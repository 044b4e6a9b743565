// Bringing files in, by dropping them on the page or choosing them; drawn-at of a design.
document.addEventListener('alpine:init', () => {
  Alpine.data('bringIn', () => ({
    hovering: false,
    busy: false,
    progress: '',
    results: [],
    next: '',

    over() {
      this.hovering = true;
    },

    leave(event) {
      if (!event.relatedTarget) {
        this.hovering = false;
      }
    },

    drop(event) {
      this.hovering = false;
      this.bring(event.dataTransfer.files);
    },

    choose(event) {
      this.bring(event.target.files);
      event.target.value = '';
    },

    // One request a file: each tells how it went, and one that is refused does not stop the others.
    async bring(list) {
      const files = [...list];
      let target = this.$root.dataset.target;
      this.busy = true;
      this.results = [];
      for (const [index, file] of files.entries()) {
        this.progress = `Reading ${file.name} (${index + 1} of ${files.length})`;
        const form = new FormData();
        form.append('files', file);
        const answer = await kalypto.send('POST', target, form);
        if (answer.failed) {
          this.results.push({ file: file.name, message: `${file.name} was not brought in. ${answer.message}` });
          continue;
        }
        this.results.push(...answer.results);
        target = `/api/projects/${answer.project}/files`;
        this.next = `/projects/${answer.project}`;
      }
      this.busy = false;
      if (files.length && this.results.every(r => r.design)) {
        location.href = this.next;
      }
    },

    async drawnAt(event) {
      const { design, value } = event.target.dataset;
      const project = this.$root.dataset.target.split('/')[3];
      await kalypto.post(`/api/projects/${project}/designs/${design}/drawn-at`, { value: Number(value) });
      location.reload();
    },
  }));
});
