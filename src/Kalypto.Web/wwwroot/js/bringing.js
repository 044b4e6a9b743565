// Bringing files in, by dropping them on the page or choosing them.
import * as server from './server.js';

const fontEnding = /\.(ttf|otf|ttc|otc|woff2?)$/i;

export const bringIn = () => ({
  hovering: false,
  busy: false,
  progress: '',
  results: [],
  next: '',
  stopping: null,

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
  async bring(list, where, design) {
    // Fonts belong to the project that the drawings make.
    const files = [...list].sort((a, b) => fontEnding.test(a.name) - fontEnding.test(b.name));
    let target = where ?? this.$root.dataset.target;
    this.busy = true;
    this.results = [];
    this.stopping = new AbortController();
    for (const [index, file] of files.entries()) {
      if (this.stopping.signal.aborted) {
        break;
      }
      this.progress = `Reading ${file.name} (${index + 1} of ${files.length})`;
      const form = new FormData();
      form.append('touched', this.results.map(r => r.design).filter(Boolean).join(','));
      if (design) {
        form.append('design', design);
      }
      form.append('files', file);
      let told = 0;
      const failure = await server.stream(target, form, this.stopping.signal, line => {
        if (line.reached) {
          this.progress = `Reading ${file.name} (${index + 1} of ${files.length}): ${line.reached}`;
          return;
        }
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
    const [only] = this.results;
    if (this.results.length === 1 && only.isNext) {
      location.href = this.changesOf(only);
    } else if (files.length && this.results.length && this.results.every(r => r.isFont)) {
      location.href = `${this.next}/fonts`;
    } else if (files.length && this.results.length && this.results.every(r => r.design && !r.isNext && !r.isUnchanged && !r.like)) {
      location.href = this.next;
    }
  },
  isGood(result) { return Boolean(result.design || result.isFont); },
  changesOf(result) { return `${this.next}/designs/${result.design}/changes`; },
  stop() { this.stopping.abort(); },
  // What it was brought in as is mended here: nobody is asked before.
  async apart(result) { this.mend(result, 'apart'); },
  async nextOf(result) { this.mend(result, 'next-of', { design: result.like }); },
  async mend(result, end, body) {
    const answer = await server.post(`/api${this.next}/designs/${result.design}/${end}`, body);
    const is = end === 'apart' ? { design: answer.design, isNext: false, message: 'a design of its own' } : { design: answer.design, isNext: true, message: `draft ${answer.number} of ${result.likeName}${answer.asked ? `, ${answer.asked} to say` : ''}` };
    this.results = this.results.map(r => (r.key !== result.key ? r : answer.failed ? { ...r, message: answer.message } : { ...r, ...is, like: null }));
  },
  newer(event) {
    // The button lies inside a design, which is a component of its own.
    this.bring(event.target.files, event.target.closest('[data-target]').dataset.target, Number(event.target.dataset.design));
    event.target.value = '';
  },
});
