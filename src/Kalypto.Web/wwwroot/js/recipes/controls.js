// Controls that write the words of a recipe: each stands for the words of one sort and leaves all others as they are typed.
document.addEventListener('alpine:init', () => {
  const first = { scale: '1x,2x,3x', wide: '480', tall: '64', crop: '28x28', over: '#ffffff' };
  const headOf = word => word.replace(/^-/, '').split(':')[0];
  Alpine.data('recipeControls', () => ({
    get words() { return this.draft.split(/\s+/).filter(Boolean); },
    // What stands behind the colon of a word; null when the word is not there.
    said(head) {
      const word = this.words.find(w => headOf(w) === head && !w.startsWith('-'));
      return word === undefined ? null : word.slice(head.length + 1);
    },
    say(head, word) {
      const words = this.words;
      const at = words.findIndex(w => headOf(w) === head);
      const kept = words.filter(w => headOf(w) !== head);
      if (word) {
        kept.splice(at < 0 ? kept.length : Math.min(at, kept.length), 0, word);
      }
      this.draft = kept.join(' ');
      this.isTyping = false;
      this.look();
    },
    sayValue(head, value) {
      const word = value.replace(/\s+/g, '');
      this.say(head, word && `${head}:${word}`);
    },
    behind(head) { return this.said(head) ?? ''; },

    makes(format) { return this.said(format) !== null; },
    toggle(format) { this.say(format, this.makes(format) ? '' : format); },
    sayQuality(format, quality) {
      const word = quality.replace(/\s+/g, '');
      this.say(format, word ? `${format}:${word}` : format);
    },

    get sizes() { return ['scale', 'wide', 'tall'].find(head => this.said(head) !== null) ?? ''; },
    get sizeValue() { return this.sizes ? this.behind(this.sizes) : ''; },
    chooseSizes(head) {
      this.draft = this.words.filter(w => !['scale', 'wide', 'tall'].includes(headOf(w))).join(' ');
      this.sayValue(head || 'scale', first[head] ?? '');
    },
    saySize(value) { this.sayValue(this.sizes, value); },

    // The box of a fixed crop: width, height and where the layer lies in it.
    get box() {
      const found = /^([\d.]*)x([\d.]*)(?:@(.+))?$/.exec(this.behind('crop'));
      return found && { width: found[1], height: found[2], place: found[3] ?? 'centre' };
    },
    get crop() { return this.box ? 'box' : this.behind('crop'); },
    get boxWidth() { return this.box?.width ?? ''; },
    get boxHeight() { return this.box?.height ?? ''; },
    get boxPlace() { return this.box?.place ?? 'centre'; },
    get corner() { return this.boxPlace.includes(',') ? this.boxPlace : ''; },
    chooseCrop(crop) { this.sayValue('crop', crop === 'box' ? first.crop : crop); },
    sayBox(change) {
      const { width, height, place } = { ...this.box, ...change };
      this.sayValue('crop', `${width}x${height}${place === 'centre' ? '' : `@${place}`}`);
    },
    sayWidth(width) { this.sayBox({ width }); },
    sayHeight(height) { this.sayBox({ height }); },
    sayPlace(place) { this.sayBox({ place }); },

    get under() { return this.behind('over').startsWith('#') ? 'colour' : this.behind('over'); },
    get colour() { return this.under === 'colour' ? this.behind('over') : '#ffffff'; },
    chooseUnder(under) { this.sayValue('over', under === 'colour' ? first.over : under); },

    get credit() { return this.words.includes('credit') ? 'credit' : this.words.includes('-credit') ? '-credit' : ''; },
  }));
});
