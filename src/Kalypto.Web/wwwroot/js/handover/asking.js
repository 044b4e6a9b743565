// Asking at a number, at a point, or about the screen; and saying that one saw it or agrees.
import * as server from '../server.js';

const states = ['normal', 'hover', 'pressed', 'focused', 'selected', 'disabled'];
const wishes = row => [
  ...(row.kind === 'picture' ? [['Code', 'needs to be built in code'], ...states.map(s => [`State ${s}`, `its ${s} state is missing`])] : [['Picture', 'needs to be a picture']]),
  ['Words', 'a question'],
];

const make = (name, attributes = {}, ...children) => {
  const element = document.createElement(name);
  Object.entries(attributes).forEach(([key, value]) => element.setAttribute(key, value));
  element.append(...children);
  return element;
};

export const asking = {
  asked: { questions: [], verdicts: '', mine: '' },
  isPointing: false,
  point: null,
  words: '',
  who: localStorage.getItem('kalypto-who') ?? '',
  askSays: '',

  initAsking() {
    this.asked = this.model.asked;
    this.countAsked();
  },
  saveWho() {
    localStorage.setItem('kalypto-who', this.who.trim());
  },
  async sayOfScreen(end, body) {
    const answer = await server.post(`${this.api}/${end}`, body);
    if (answer.failed) {
      this.askSays = answer.message;
      return false;
    }
    this.asked = answer;
    this.askSays = '';
    this.countAsked();
    if (this.detail) {
      this.render();
    }
    return true;
  },
  see() { return this.sayOfScreen('said', { hasAgreed: false }); },
  agree() { return this.sayOfScreen('said', { hasAgreed: true }); },
  withdraw(question) { return this.sayOfScreen(`asked/${question.id}/withdrawn`); },
  ask(layer, wish, words) {
    const [kind, state] = wish.split(' ');
    return this.sayOfScreen('asked', { layer, kind, state, words });
  },
  async askOfScreen() {
    const [x, y] = this.point ?? [];
    if (await this.sayOfScreen('asked', { x, y, kind: 'Words', words: this.words })) {
      this.words = '';
      this.point = null;
      this.isPointing = false;
      this.mark();
    }
  },
  togglePointing() {
    this.isPointing = !this.isPointing;
    this.point = null;
    this.mark();
  },
  // Numbers whose questions wait say so in the key.
  countAsked() {
    this.$root.querySelectorAll('.pin-row').forEach(row => {
      const waiting = this.asked.questions.filter(q => q.layer === Number(row.dataset.layer) && !q.isSettled).length;
      row.querySelector('.pin-asked-count')?.remove();
      if (waiting) {
        row.querySelector('.pin-name').append(' ', make('span', { class: 'chip pin-asked-count' }, `${waiting} asked`));
      }
    });
    const points = this.asked.questions.filter(q => q.point && !q.isSettled).map(q => q.point);
    this.$root.querySelectorAll('svg.plate').forEach(svg => {
      const scale = Number(svg.dataset.scale);
      const group = svg.querySelector('.plate-points');
      group.replaceChildren(...points.map(([x, y]) => {
        const dot = document.createElementNS('http://www.w3.org/2000/svg', 'circle');
        Object.entries({ cx: x * scale, cy: y * scale, r: 5, class: 'plate-point' }).forEach(([key, value]) => dot.setAttribute(key, value));
        return dot;
      }));
    });
  },
  // What was asked at a number, and a form to ask: in the place that its template keeps for it.
  fillAsked(copy, row) {
    const list = copy.querySelector('[data-list="asked"]');
    this.asked.questions.filter(q => q.layer === row.layer).forEach(q => {
      const item = make('li', { class: q.isSettled ? 'settled' : '' }, make('span', {}, q.says), ' ', make('span', { class: 'muted' }, q.state));
      if (q.isMine) {
        const back = make('button', { type: 'button', class: 'btn-text' }, 'take it back');
        back.addEventListener('click', () => this.withdraw(q));
        item.append(' ', back);
      }
      list.append(item);
    });
    const form = copy.querySelector('form.ask');
    const [wish, words] = form.elements;
    wish.append(...(this.model.asks === 'all' ? wishes(row) : [['Words', 'a remark']]).map(([value, text]) => make('option', { value }, text)));
    form.addEventListener('submit', event => {
      event.preventDefault();
      this.ask(row.layer, wish.value, words.value);
    });
  },
};
