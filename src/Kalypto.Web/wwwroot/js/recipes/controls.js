// Controls beside a line of a recipe. They show its words as fields and send what is said in one of them; the server writes
// the words, and leaves all others as they are typed.
import * as server from '../server.js';

export const recipeControls = () => ({
  said: Promise.resolve(),
  waiting: 0,

  // One after the other, each on the line that the one before left: nothing that is typed fast is lost.
  say(field, value) {
    this.waiting++;
    this.said = this.said.then(async () => {
      const answer = await server.post(`/api/projects/${this.project}/recipes/fields`, { line: this.draft, field, value });
      this.waiting--;
      if (!answer.failed) {
        this.draft = answer.line;
        this.isTyping = false;
        // What is being typed meanwhile is not overwritten.
        if (!this.waiting) {
          this.fields = answer.fields;
          this.look();
        }
      }
    });
  },
  makes(format) { return format in this.fields.formats; },
  qualityOf(format) { return this.fields.formats[format] ?? ''; },
  toggle(format) { this.say('makes', format); },
  get isBox() { return this.fields.crop === 'box'; },
  get corner() { return this.fields.boxPlace?.includes(',') ? this.fields.boxPlace : ''; },
});
