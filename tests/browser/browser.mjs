// Debian's Chromium, headless, with nothing going out.
import { chromium } from 'playwright-core';

export const launch = (...more) => chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking', '--disable-component-update', '--disable-sync', '--force-color-profile=srgb', ...more],
});
