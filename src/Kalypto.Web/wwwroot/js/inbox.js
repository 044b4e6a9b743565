// Folders of the inbox that belong to a project.
import * as server from './server.js';

export const inboxFolders = () => ({
  refusal: '',

  async send(end, body) {
    const answer = await server.post(`/api/projects/${this.$root.dataset.project}/inbox${end}`, body);
    if (answer.failed) {
      this.refusal = answer.message;
    } else {
      location.reload();
    }
  },
  create() { return this.send('', {}); },
  release(event) { return this.send('/removed', { folder: event.currentTarget.dataset.folder }); },
});
