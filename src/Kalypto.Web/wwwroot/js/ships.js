// Everything that ships over all screens, as cards and as a list.
import * as server from './server.js';

export const ships = () => ({
  model: server.read('ships'),
  search: '',
  sort: 'screen',
  asList: localStorage.getItem('kalypto-ships') === 'list',

  init() {
    server.onChanged(this.$root.dataset.project, () => this.refresh());
  },
  async refresh() {
    const model = await server.get(`/api/projects/${this.$root.dataset.project}/ships`);
    if (!model.failed) {
      this.model = model;
    }
  },
  showCards() {
    this.asList = false;
    localStorage.setItem('kalypto-ships', 'cards');
  },
  showList() {
    this.asList = true;
    localStorage.setItem('kalypto-ships', 'list');
  },
  placeOf(card) {
    return card.places > 1 ? `${card.screen} and ${card.places - 1} more` : card.screen;
  },
  get shown() {
    const words = this.search.toLowerCase().trim();
    const cards = this.model.cards.filter(c => `${c.name} ${c.kind} ${c.screen} ${c.folder}`.toLowerCase().includes(words));
    const by = { name: c => c.name.toLowerCase(), kind: c => c.kind, weight: c => -c.bytes }[this.sort];
    return by ? [...cards].sort((a, b) => (by(a) < by(b) ? -1 : by(a) > by(b) ? 1 : 0)) : cards;
  },
  get summary() {
    const kinds = new Map();
    this.model.cards.forEach(c => kinds.set(c.kind, (kinds.get(c.kind) ?? 0) + 1));
    return [...kinds].map(([kind, n]) => `${n} ${kind}${n === 1 ? '' : 's'}`).join(' · ') || 'Nothing yet.';
  },
  get sumText() {
    const { sum } = this.model;
    return `${sum.layers} layers → ${sum.files} files · ${sum.weight}`;
  },
});
