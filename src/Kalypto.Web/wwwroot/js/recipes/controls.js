// Controls beside a line of a recipe. They show its words as fields and send what is said in one of them; the server writes
// the words, and leaves all others as they are typed.
import * as server from '../server.js';

export const recipeControls = () => ({
  async say(field, value) {
    const answer = await server.post(`/api/projects/${this.project}/recipes/fields`, { line: this.draft, field, value });
    if (!answer.failed) {
      this.draft = answer.line;
      this.fields = answer.fields;
      this.isTyping = false;
      this.look();
    }
  },
  makes(format) { return format in this.fields.formats; },
  qualityOf(format) { return this.fields.formats[format] ?? ''; },
  toggle(format) { this.say('makes', format); },
  get isBox() { return this.fields.crop === 'box'; },
  get corner() { return this.fields.boxPlace?.includes(',') ? this.fields.boxPlace : ''; },
});
