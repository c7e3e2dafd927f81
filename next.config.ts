import { readFileSync } from 'node:fs';
import type { NextConfig } from 'next';

const { version: engraverVersion } = JSON.parse(readFileSync('node_modules/verovio/package.json', 'utf8')) as {
  version: string;
};

const config: NextConfig = {
  reactStrictMode: true,
  poweredByHeader: false,
  // Served on the machine itself: packing would only cost time.
  compress: false,
  // The address bar carries the state; nothing here is fetched from elsewhere.
  devIndicators: false,
  // Part of the address of the engraver's program, which never changes under it.
  env: { ENGRAVER_VERSION: engraverVersion },
  headers: () =>
    Promise.resolve([
      {
        source: '/engraver.:kind',
        headers: [{ key: 'Cache-Control', value: 'public, max-age=31536000, immutable' }],
      },
    ]),
  // The tests check them before, in half the time.
  typescript: { ignoreBuildErrors: process.env['OAK_TYPES_CHECKED'] === '1' },
};

export default config;
