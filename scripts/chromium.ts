import { existsSync } from 'node:fs';

/** Debian's Chromium without a window starts and draws faster; CHROMIUM names another one. */
const PLACES = ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium'];

/** How Chromium is started here: as root, with no network of its own. */
export const CHROMIUM_LAUNCH = {
  executablePath: process.env['CHROMIUM'] ?? PLACES.find((place) => existsSync(place)) ?? 'chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
};
