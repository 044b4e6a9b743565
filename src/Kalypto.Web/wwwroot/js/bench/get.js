// Just some files of what is picked, at once: the shortest way from a layer to its picture.
import * as server from '../server.js';
import { focusShown } from '../focus.js';
import { count } from '../words.js';

const pause = 400;

export const get = {
  just: localStorage.getItem('kalypto-just') ?? 'png@1x',
  justSays: '',
  justWrong: false,
  getting: '',
  oftenGot: ['png@1x', 'png@1x,2x,3x', 'svg', 'webp@2x', 'jpeg:80@2x', 'pdf'],

  get getText() {
    return this.targets.length === 1 ? this.rowOf(this.targets[0])?.name ?? '' : count(this.targets.length, 'layer');
  },
  openGet() {
    if (this.targets.length) {
      this.drawer = 'get';
      focusShown(this, () => this.$refs.just);
      this.previewGet();
    }
  },
  getAsk() {
    return { layers: this.targets.map(ordinal => ({ design: this.model.design, ordinal })), just: this.just.trim() };
  },
  async previewGet() {
    const { just } = this;
    const answer = await server.post(this.path('builds/preview'), this.getAsk());
    if (just === this.just) {
      this.justWrong = answer.failed || answer.isWrong;
      this.justSays = answer.failed ? answer.message : answer.says;
    }
  },
  justTake(words) {
    this.just = words;
    this.$refs.just.focus();
    this.previewGet();
  },
  getKey() {
    if (this.$event.key === 'Escape') {
      this.closeDrawer();
    }
  },
  async get() {
    if (this.getting) {
      return;
    }
    localStorage.setItem('kalypto-just', this.just.trim());
    const answer = await server.post(this.path('builds'), this.getAsk());
    if (answer.failed) {
      this.justWrong = true;
      this.justSays = answer.message;
      return;
    }
    this.getting = 'is made …';
    const made = await this.whenBuilt(answer.build);
    this.getting = '';
    if (made.state === 'done') {
      this.closeDrawer();
      this.say(`${made.says} on the way`);
      location.href = `/projects/${this.model.project}/builds/${answer.build}.zip`;
    } else {
      this.justWrong = true;
      this.justSays = made.says;
    }
  },
  async whenBuilt(build) {
    for (;;) {
      const answer = await server.get(this.path(`builds/${build}`));
      if (answer.failed || answer.state !== 'running') {
        return answer.failed ? { state: 'failed', says: answer.message } : answer;
      }
      this.getting = answer.says;
      await new Promise(done => setTimeout(done, pause));
    }
  },
};
