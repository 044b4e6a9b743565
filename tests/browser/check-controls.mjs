// After all files of a run: how many of the controls that the pages hold a test has pressed, and which none has.
import { readControls } from './controls.mjs';

const { served, pressed } = readControls();
const left = served.filter(control => !pressed.has(control));
console.log(`${served.length} controls, ${served.length - left.length} pressed`);
left.forEach(control => console.log(`not pressed by any test: ${control}`));
