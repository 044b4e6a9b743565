// A thread of its own: how far our picture is from Chromium's, which was drawn several times as large.
import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { parentPort } from 'node:worker_threads';
import { PNG } from 'pngjs';

const tolerance = 16;

parentPort.on('message', ({ theirs, times, ours }) => {
  const [large, own] = [PNG.sync.read(Buffer.from(theirs)), PNG.sync.read(readFileSync(ours))];
  assert.deepEqual([own.width * times, own.height * times], [large.width, large.height]);
  parentPort.postMessage(difference(own.data, averaged(large, times)));
});

// The part of the ink pixels that differ by more than the tolerance, as they would be seen on any ground.
function difference(a, b) {
  let ink = 0;
  let differing = 0;
  for (let i = 0; i < a.length; i += 4) {
    if (!a[i + 3] && !b[i + 3]) {
      continue;
    }
    ink++;
    let far = Math.abs(a[i + 3] - b[i + 3]) > tolerance;
    for (let c = 0; c < 3 && !far; c++) {
      far = Math.abs(a[i + c] * a[i + 3] - b[i + c] * b[i + 3]) > tolerance * 255;
    }
    differing += far ? 1 : 0;
  }
  return ink ? differing / ink : 0;
}

// Averages blocks of pixels, colours weighted by their alpha.
function averaged({ width: wide, height: high, data: large }, times) {
  const [width, height] = [wide / times, high / times];
  const sums = new Uint32Array(width * height * 4);
  for (let y = 0; y < high; y++) {
    for (let x = 0; x < wide; x++) {
      const i = (y * wide + x) * 4;
      const alpha = large[i + 3];
      if (alpha) {
        const o = (Math.floor(y / times) * width + Math.floor(x / times)) * 4;
        sums[o] += large[i] * alpha;
        sums[o + 1] += large[i + 1] * alpha;
        sums[o + 2] += large[i + 2] * alpha;
        sums[o + 3] += alpha;
      }
    }
  }
  const data = Buffer.alloc(sums.length);
  for (let o = 0; o < sums.length; o += 4) {
    const alpha = sums[o + 3];
    for (let c = 0; c < 3 && alpha; c++) {
      data[o + c] = Math.round(sums[o + c] / alpha);
    }
    data[o + 3] = Math.round(alpha / times / times);
  }
  return data;
}
