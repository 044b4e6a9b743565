// Bringing files in, by dropping them on the page or choosing them.
import * as server from './server.js';

export const bringIn = () => ({
  hovering: false,
  busy: false,
  progress: '',
  results: [],
  next: '',

  over(event) {
    // A screen that is dragged to another place is no file.
    this.hovering = [...event.dataTransfer.types].includes('Files');
  },
  leave(event) {
    if (!event.relatedTarget) {
      this.hovering = false;
    }
  },
  drop(event) {
    this.hovering = false;
    if (event.dataTransfer.files.length) {
      this.bring(event.dataTransfer.files);
    }
  },
  choose(event) {
    this.bring(event.target.files);
    event.target.value = '';
  },
  // One request a file: each tells how it went, and one that is refused does not stop the others. A zip tells of
  // every file in it as soon as that is read.
  async bring(list, where) {
    const files = [...list];
    let target = where ?? this.$root.dataset.target;
    this.busy = true;
    this.results = [];
    for (const [index, file] of files.entries()) {
      this.progress = `Reading ${file.name} (${index + 1} of ${files.length})`;
      const form = new FormData();
      form.append('files', file);
      let told = 0;
      const failure = await server.stream(target, form, line => {
        told++;
        this.results = [...this.results, { key: this.results.length, ...line.result }];
        this.progress = `Reading ${file.name} (${index + 1} of ${files.length})${told > 1 ? `: ${told} files of it` : ''}`;
        if (line.project) {
          target = `/api/projects/${line.project}/files`;
          this.next = `/projects/${line.project}`;
        }
      });
      if (failure) {
        this.results = [...this.results, { key: this.results.length, file: file.name, message: `${file.name} was not brought in. ${failure}` }];
      }
    }
    this.busy = false;
    if (files.length && this.results.length && this.results.every(r => r.design)) {
      location.href = this.next;
    }
  },
});
