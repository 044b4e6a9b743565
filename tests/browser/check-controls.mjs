// After all files of a run: every control of every page was pressed by a test.
import { readControls } from './controls.mjs';

// What no test presses, and why.
const exceptions = new Map([
]);

const { served, pressed } = readControls();
const left = served.filter(control => !pressed.has(control) && !exceptions.has(control));
const stale = [...exceptions.keys()].filter(control => !served.includes(control) || pressed.has(control));
console.error(`${served.length} controls, ${served.length - left.length - exceptions.size} pressed, ${exceptions.size} named with a reason`);
left.forEach(control => console.error(`not pressed by any test: ${control}`));
stale.forEach(control => console.error(`named as not pressed, and pressed or gone: ${control}`));
process.exit(left.length + stale.length ? 1 : 0);
