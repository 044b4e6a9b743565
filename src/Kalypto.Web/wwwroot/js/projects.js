// The projects: made, named, described, put away, deleted and brought back; files dropped on one go into it.
import * as server from './server.js';

export const projects = () => ({
  name: '',
  refusal: '',

  async add() {
    const answer = await server.post('/api/projects/new', { name: this.name });
    if (answer.failed) {
      this.refusal = answer.message;
    } else {
      location.href = `/projects/${answer.project}`;
    }
  },
  async change(element, end, body) {
    const { project } = element.closest('[data-project]').dataset;
    const answer = await server.post(`/api/projects/${project}/${end}`, body);
    if (answer.failed) {
      this.refusal = answer.message;
    } else {
      location.reload();
    }
  },
  rename(event) {
    this.change(event.target, 'said', { name: event.target.value });
  },
  describe(event) {
    this.change(event.target, 'said', { description: event.target.value });
  },
  turn(event) {
    const { end, value } = event.currentTarget.dataset;
    this.change(event.currentTarget, end, { value: value === 'true' });
  },
  overCard(event) {
    event.currentTarget.classList.add('over');
  },
  leaveCard(event) {
    event.currentTarget.classList.remove('over');
  },
  dropOn(event) {
    const card = event.currentTarget;
    card.classList.remove('over');
    if (event.dataTransfer.files.length) {
      this.hovering = false;
      this.bring(event.dataTransfer.files, `/api/projects/${card.dataset.project}/files`);
    }
  },
});
