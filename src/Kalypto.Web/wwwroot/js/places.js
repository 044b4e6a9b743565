// Folders that deliveries are put into: looked at before, and what somebody changed there is asked about.
import * as server from './server.js';
import { count } from './words.js';

export const places = () => ({
  list: [],
  roots: [],
  numbers: [],
  root: 0,
  folder: '',
  platform: '',
  refusal: '',

  init() {
    this.load();
    server.onChanged(this.$root.dataset.project, () => this.loadNumbers().then(() => this.loadStates()));
  },
  get path() { return `/api/projects/${this.$root.dataset.project}`; },
  get isShown() { return this.roots.length > 0 || this.list.length > 0; },
  // What lies there and what it waits for may change by itself.
  async loadStates() {
    const answer = await server.get(`${this.path}/places`);
    if (!answer.failed) {
      answer.places.forEach(p => Object.assign(this.list.find(l => l.id === p.id) ?? {}, { delivery: p.delivery, waitsFor: p.waitsFor, follows: p.follows, seen: p.seen, moves: p.moves }));
    }
  },
  async loadNumbers() {
    const builds = await server.get(`${this.path}/builds`);
    if (!builds.failed) {
      this.numbers = builds.map(b => b.number).filter(Boolean);
      this.list.forEach(p => { p.wanted ||= this.numbers[0]; });
    }
  },
  async load() {
    const answer = await server.get(`${this.path}/places`);
    if (!answer.failed) {
      this.roots = answer.roots;
      this.list = answer.places.map(p => ({ ...p, look: null, overwrite: [], leave: [], wanted: 0 }));
    }
    await this.loadNumbers();
  },
  async say(url, body) {
    const answer = await server.post(url, body);
    this.refusal = answer.failed ? answer.message : '';
    return answer;
  },
  async add() {
    if (!(await this.say(`${this.path}/places`, { root: this.root, folder: this.folder, platform: this.platform })).failed) {
      this.folder = '';
      this.load();
    }
  },
  async forget(place) {
    if (!(await this.say(`${this.path}/places/${place.id}/removed`)).failed) {
      this.load();
    }
  },
  async follow(place, value) {
    if (!(await this.say(`${this.path}/places/${place.id}/follows`, { value })).failed) {
      place.follows = value;
    }
  },
  async agree(place) {
    if (!(await this.say(`${this.path}/places/${place.id}/moves`, { seen: place.seen })).failed) {
      [place.moves, place.waitsFor] = [[], ''];
    }
  },
  moveText(move) { return `${count(move.files, 'file')}: ${move.from || '.'} → ${move.to || '.'}`; },
  async ask(place, look) {
    const answer = await this.say(`${this.path}/places/${place.id}/deliver`, { delivery: place.wanted, overwrite: place.overwrite, leave: place.leave, look });
    if (!answer.failed) {
      place.look = answer;
      place.delivery = answer.isDone ? answer.delivery : place.delivery;
    }
  },
  look(place) {
    [place.overwrite, place.leave] = [[], []];
    return this.ask(place, true);
  },
  deliver(place) { return this.ask(place, false); },
  settle(place, conflict, how) {
    place.overwrite = place.overwrite.filter(p => p !== conflict.path);
    place.leave = place.leave.filter(p => p !== conflict.path);
    place[how].push(conflict.path);
  },
  nameOf(place, conflict) { return `${place.id}:${conflict.path}`; },
  conflictsOf(place) { return place.look ? place.look.conflicts : []; },
  linesOf(place) { return place.look ? place.look.lines : []; },
  canDeliver(place) {
    return place.look && !place.look.isDone && !place.look.isNothing && place.look.conflicts.every(c => place.overwrite.includes(c.path) || place.leave.includes(c.path));
  },
  deliverText(place) { return place.look ? `Deliver ${place.look.delivery} there` : ''; },
  lookText(place) {
    const { look } = place;
    if (!look) {
      return '';
    }
    if (look.isNothing) {
      return `The place is as delivery ${look.delivery} says: ${count(look.same, 'file')}.`;
    }
    const sum = `${count(look.lines.length, 'file')} to change, ${look.same} stay`;
    return look.isDone ? `Delivery ${look.delivery} lies there now: ${count(look.lines.length, 'file')} changed, ${look.same} stayed.`
      : look.conflicts.length ? `${sum}. Say first what becomes of ${count(look.conflicts.length, 'file')}; until then nothing is touched.` : `${sum}. Nothing else in the folder is touched.`;
  },
});
