// A screen on a device, put together from the delivered files and the layers in code: leafed through, at any density.
import * as server from '../server.js';

// pt of what one sees of a screen at once.
const sizes = { phone: [390, 844], tablet: [820, 1180], desktop: [1440, 900] };
const kindOf = width => width <= 480 ? 'phone' : width <= 1100 ? 'tablet' : 'desktop';
const room = 24;

export const device = () => ({
  model: server.read('device'),
  kinds: Object.keys(sizes),
  densities: [1, 2, 3],
  density: Number(localStorage.getItem('kalypto-density')) || 2,
  platform: '',
  isOwn: localStorage.getItem('kalypto-own-pixels') === 'yes',
  isDrawn: false,
  scale: 1,

  init() {
    this.model.kind = kindOf(this.model.width);
    const known = localStorage.getItem('kalypto-platform');
    this.platform = (this.model.platforms.find(p => p.id === known) ?? this.model.platforms[0])?.id ?? '';
    this.$refs.drawn.src = this.model.drawn;
    this.load();
    new ResizeObserver(() => this.fit()).observe(this.$refs.room);
  },
  get at() { return this.model.screens.indexOf(this.model.at); },
  get before() { return this.model.screens[this.at - 1]; },
  get next() { return this.model.screens[this.at + 1]; },
  get facts() {
    const { width, height } = this.model;
    return `${Math.round(width)} × ${Math.round(height)} pt · ${Math.round(width * this.density)} × ${Math.round(height * this.density)} px at ${this.density}x · shown at ${Math.round(this.scale * 100)}%`;
  },
  load() {
    this.$refs.frame.src = `${this.model.at}/screen.html?density=${this.density}&platform=${this.platform}`;
    this.fit();
  },
  // Pixel for pixel, one pixel of a file is one of this display; else all of the device is seen.
  fit() {
    const [wide, high] = sizes[this.model.kind];
    const { width, height } = this.model;
    // A device of the kind that it was drawn for is as wide as it was drawn.
    const [seenWide, seenHigh] = [this.model.kind === kindOf(width) ? width : wide, Math.min(high, Math.max(height, high / 2))];
    const space = this.$refs.room.getBoundingClientRect();
    const isNarrow = space.width < 500;
    const [aside, above] = isNarrow ? [0, 0] : [2 * room + 24, 2 * room + 40];
    // On a phone the screen is as wide as the phone, and scrolls.
    this.scale = this.isOwn ? this.density / devicePixelRatio : Math.min(isNarrow ? 2 : 1, (space.width - aside) / seenWide, isNarrow ? 2 : (space.height - above) / seenHigh);
    const { glass, sheet, frame, drawn } = this.$refs;
    Object.assign(glass.style, { width: `${seenWide * this.scale}px`, height: `${seenHigh * this.scale}px` });
    Object.assign(sheet.style, { width: `${width * this.scale}px`, height: `${height * this.scale}px` });
    Object.assign(frame.style, { width: `${width}px`, height: `${height}px`, transform: `scale(${this.scale})` });
    Object.assign(drawn.style, { width: `${width * this.scale}px`, height: `${height * this.scale}px` });
  },
  setKind(kind) {
    this.model.kind = kind;
    this.fit();
  },
  setDensity(density) {
    this.density = density;
    localStorage.setItem('kalypto-density', density);
    this.load();
  },
  setPlatform(platform) {
    this.platform = platform;
    localStorage.setItem('kalypto-platform', platform);
    this.load();
  },
  toggleOwn() {
    this.isOwn = !this.isOwn;
    localStorage.setItem('kalypto-own-pixels', this.isOwn ? 'yes' : 'no');
    this.fit();
  },
  toggleDrawn() {
    this.isDrawn = !this.isDrawn;
    this.$refs.drawn.hidden = !this.isDrawn;
  },
  key(event) {
    if (event.ctrlKey || event.metaKey || event.altKey || event.target.closest('dialog, input, select, textarea')) {
      return;
    }
    const [before, next] = [this.before, this.next];
    const leaf = { ArrowLeft: before, ArrowRight: next }[event.key];
    if (leaf) {
      location.href = leaf;
    } else if (event.key.toLowerCase() === 'p') {
      this.toggleOwn();
    } else if (event.key.toLowerCase() === 'd') {
      this.toggleDrawn();
    } else if ('123'.includes(event.key)) {
      this.setDensity(Number(event.key));
    }
  },
});
