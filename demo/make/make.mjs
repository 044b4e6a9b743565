// Writes the demo drawings: npm ci && node make.mjs
import { writeFileSync } from 'node:fs';
import { app } from './app.mjs';
import { nextWeek } from './next.mjs';
import { dome, moon, nightSky } from './photos.mjs';
import { website } from './website.mjs';

// The moon has pixels enough for 3x; the sky over the website's whole width only for 1.4x.
const photos = { moon: moon(660), dome: dome(1125, 900), sky: nightSky(2016, 896) };
const folder = new URL('..', import.meta.url);
const first = app(photos);
writeFileSync(new URL('visitor-app.svg', folder), first);
writeFileSync(new URL('next/visitor-app.svg', folder), nextWeek(first));
writeFileSync(new URL('website.svg', folder), website(photos));
