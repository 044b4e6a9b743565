// What was done in a project, and taking it back: one's own last step by Z, any one by name.
import * as server from './server.js';

const most = 30;

export const stepsBack = () => ({
  history: [],
  message: '',

  init() {
    this.load();
  },
  get path() {
    return `/api/projects/${this.$root.dataset.project}`;
  },
  async load() {
    const history = await server.get(`${this.path}/history`);
    if (Array.isArray(history)) {
      this.history = history.slice(0, most).map(h => ({ ...h, time: new Date(h.when).toLocaleTimeString([], { hour: '2-digit', minute: '2-digit', hourCycle: 'h23' }) }));
    }
  },
  async turn(end, body) {
    const answer = await server.post(`${this.path}/${end}`, body);
    this.message = answer.failed ? answer.message : answer.done;
    if (answer.failed) {
      this.load();
    } else {
      location.reload();
    }
  },
  undo() { this.turn('undo'); },
  turnStep(step) { this.turn(`history/${step.id}`, { undo: !step.undone }); },
  key(event) {
    if (event.key === 'z' && !event.target.matches('input, select, textarea') && !event.ctrlKey && !event.metaKey) {
      event.preventDefault();
      this.undo();
    }
  },
});
