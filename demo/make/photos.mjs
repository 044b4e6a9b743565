// The photos of the demo: painted by arithmetic, so that they are ours and come out the same each time.
import jpeg from 'jpeg-js';

function random(seed) {
  return () => {
    seed = (seed * 1664525 + 1013904223) >>> 0;
    return seed / 2 ** 32;
  };
}

// Smooth noise between 0 and 1.
function noise(seed) {
  const next = random(seed);
  const grid = Array.from({ length: 4096 }, next);
  const at = (x, y) => grid[((x & 63) + ((y & 63) << 6))];
  const ease = t => t * t * (3 - 2 * t);
  const one = (x, y) => {
    const [ix, iy, fx, fy] = [Math.floor(x), Math.floor(y), ease(x - Math.floor(x)), ease(y - Math.floor(y))];
    const top = at(ix, iy) * (1 - fx) + at(ix + 1, iy) * fx;
    return top * (1 - fy) + (at(ix, iy + 1) * (1 - fx) + at(ix + 1, iy + 1) * fx) * fy;
  };
  return (x, y, octaves = 5) => {
    let [sum, size, total] = [0, 1, 0];
    for (let o = 0; o < octaves; o++) {
      sum += one(x * 2 ** o + o * 17, y * 2 ** o + o * 31) * size;
      total += size;
      size *= 0.5;
    }
    return sum / total;
  };
}

const mix = (a, b, t) => a.map((v, i) => v + (b[i] - v) * t);
const clamp = v => Math.max(0, Math.min(255, Math.round(v)));

function paint(width, height, quality, colour, after = () => {}) {
  const data = Buffer.alloc(width * height * 4);
  const put = (x, y, [r, g, b]) => {
    if (x >= 0 && y >= 0 && x < width && y < height) {
      data.set([clamp(r), clamp(g), clamp(b), 255], (y * width + x) * 4);
    }
  };
  const get = (x, y) => [...data.subarray((y * width + x) * 4, (y * width + x) * 4 + 3)];
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      put(x, y, colour(x, y));
    }
  }
  after(put, get);
  return `data:image/jpeg;base64,${jpeg.encode({ data, width, height }, quality).data.toString('base64')}`;
}

function stars(put, get, width, height, count, seed) {
  const next = random(seed);
  for (let i = 0; i < count; i++) {
    const [x, y, size, warm] = [next() * width, next() * height, next() ** 6 * 2.4 + 0.5, next()];
    const light = mix([200, 215, 255], [255, 235, 200], warm);
    for (let dy = -3; dy <= 3; dy++) {
      for (let dx = -3; dx <= 3; dx++) {
        const [px, py] = [Math.round(x + dx), Math.round(y + dy)];
        if (px >= 0 && py >= 0 && px < width && py < height) {
          const glow = Math.exp(-((px - x) ** 2 + (py - y) ** 2) / size ** 2);
          put(px, py, mix(get(px, py), light, Math.min(1, glow)));
        }
      }
    }
  }
}

export function moon(size) {
  const [rough, fine] = [noise(7), noise(11)];
  const craters = [[0.32, 0.3, 0.11], [0.62, 0.24, 0.07], [0.7, 0.6, 0.13], [0.4, 0.66, 0.08], [0.24, 0.52, 0.06], [0.53, 0.45, 0.05], [0.55, 0.8, 0.06]];
  return paint(size, size, 84, (x, y) => {
    const [u, v] = [x / size, y / size];
    const sea = rough(u * 3.2, v * 3.2) ** 2;
    let light = 0.98 - 0.42 * Math.max(0, sea - 0.18) * 2 + (fine(u * 24, v * 24, 3) - 0.5) * 0.13;
    for (const [cx, cy, r] of craters) {
      const d = Math.hypot(u - cx, v - cy) / r;
      light += d < 1 ? -0.1 * (1 - d * d) + 0.05 * (u - cx) / r : d < 1.18 ? 0.07 * (1.18 - d) / 0.18 : 0;
    }
    const edge = Math.min(1, Math.hypot(u - 0.5, v - 0.5) * 2);
    light *= (1 - 0.45 * edge ** 4) * (0.72 + 0.32 * (1 - u));
    return mix([60, 56, 60], [246, 234, 206], light);
  });
}

export function nightSky(width, height) {
  const [cloud, dust] = [noise(3), noise(19)];
  return paint(width, height, 80, (x, y) => {
    const [u, v] = [x / width, y / height];
    const band = Math.exp(-(((v - 0.15 - 0.55 * u) / 0.22) ** 2)) * (0.35 + cloud(u * 6, v * 4));
    const base = mix([12, 18, 44], [64, 62, 112], v ** 1.6);
    const horizon = mix(base, [226, 158, 98], Math.max(0, v - 0.72) ** 1.5 * 3.4);
    const lit = mix(horizon, [190, 178, 214], Math.min(0.62, band * 0.55));
    const darkened = mix(lit, [14, 16, 36], Math.min(0.5, Math.max(0, dust(u * 9, v * 7) - 0.52) * band * 3));
    const hill = 0.9 + 0.05 * Math.sin(u * 5 + 1) + 0.03 * Math.sin(u * 13);
    return v > hill ? mix([10, 16, 28], [20, 28, 44], (v - hill) * 6) : darkened;
  }, (put, get) => stars(put, get, width, Math.round(height * 0.8), Math.round(width * height / 900), 5));
}

export function dome(width, height) {
  const grain = noise(23);
  return paint(width, height, 82, (x, y) => {
    const [u, v] = [x / width, y / height];
    let colour = mix([22, 30, 70], [214, 132, 96], v ** 2.2);
    const [cx, cy, r] = [0.5 * width, 0.86 * height, 0.34 * width];
    const d = Math.hypot(x - cx, y - cy);
    if (d < r && y < cy) {
      const side = (x - cx) / r;
      const light = 0.35 + 0.5 * Math.max(0, 0.55 - side) + (grain(u * 30, v * 30, 2) - 0.5) * 0.05;
      colour = mix([52, 56, 84], [238, 226, 210], light);
      const rib = Math.abs(((Math.asin(Math.max(-1, Math.min(1, side))) / Math.PI) * 14) % 1);
      colour = rib < 0.06 ? mix(colour, [40, 44, 70], 0.35) : colour;
      if (Math.abs(side - 0.12) < 0.07) {
        colour = mix([255, 206, 128], [120, 70, 50], Math.min(1, d / r));
      }
    }
    if (v > 0.86) {
      colour = mix([34, 36, 54], [18, 22, 36], (v - 0.86) * 7);
      if (Math.abs(x - cx) < r * 1.02 && v < 0.94) {
        colour = mix([196, 182, 172], [120, 110, 118], u);
      }
    }
    return mix(colour, [255, 255, 255], (grain(u * 90, v * 90, 2) - 0.5) * 0.04);
  }, (put, get) => stars(put, get, width, Math.round(height * 0.4), Math.round(width / 5), 9));
}
