// The fonts that a project has of its own.
import * as server from './server.js';

export const fonts = () => ({
  message: '',

  async remove(event) {
    const answer = await server.post(`/api/projects/${this.$root.dataset.project}/fonts/${event.currentTarget.dataset.sha256}/removed`);
    if (answer.failed) {
      this.message = answer.message;
    } else {
      location.reload();
    }
  },
});
