// Tokens: shown with a sample and their places; on the project's own page also named, merged and refused.
import * as server from '../server.js';
import { count } from '../words.js';

const titles = { colour: 'Colours', type: 'Type', radius: 'Corners', shadow: 'Shadows', border: 'Borders', space: 'Distances' };
const samples = {
  colour: (e, css) => e.style.setProperty('--swatch', css),
  type: (e, css) => { e.textContent = 'Ag'; e.style.font = `${css} sans-serif`; },
  radius: (e, css) => { e.style.borderTopLeftRadius = css; },
  shadow: (e, css) => { e.style.boxShadow = css; },
  border: (e, css) => { e.style.border = css; },
  space: (e, css) => { e.style.width = css; },
};

export const tokens = () => ({
  model: server.read('tokens'),
  refusal: '',
  path: '',

  get parts() { return Object.entries(titles).map(([kind, title]) => ({ kind, title, rows: this.model.rows.filter(r => r.kind === kind) })).filter(p => p.rows.length); },
  sample(element, row) { samples[row.kind](element, row.css); },
  usesOf(row) { return `${row.uses}, ${count(row.count, 'place')}`; },
  othersOf(part, row) { return part.rows.filter(r => r.key !== row.key); },
  get shownFile() { return this.model.files.find(f => f.path === this.path) ?? this.model.files[0]; },
  get shownPath() { return this.shownFile?.path; },
  get shownText() { return this.shownFile?.text; },
  showFile(file) { this.path = file.path; },
  async say(body) {
    const answer = await server.post(`/api/projects/${this.$root.dataset.project}/tokens`, body);
    this.refusal = answer.failed ? answer.message : '';
    if (!answer.failed) {
      this.model = answer;
    }
    return !answer.failed;
  },
  async rename(row, input) {
    if (!await this.say({ key: row.key, name: input.value.trim() })) {
      input.value = row.name;
      return;
    }
    // What was typed may have been cleaned.
    input.value = this.model.rows.find(r => r.key === row.key)?.name ?? input.value;
  },
  merge(row, select) { return select.value && this.say({ key: row.key, into: select.value }); },
  takeApart(row) { return this.say({ key: row.key, part: true }); },
  refuse(row, refused) { return this.say({ key: row.key, refused }); },
});
