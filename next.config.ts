import type { NextConfig } from 'next';

const config: NextConfig = {
  reactStrictMode: true,
  poweredByHeader: false,
  // Served on the machine itself: packing would only cost time.
  compress: false,
  // The address bar carries the state; nothing here is fetched from elsewhere.
  devIndicators: false,
  // The tests check them before, in half the time.
  typescript: { ignoreBuildErrors: process.env['OAK_TYPES_CHECKED'] === '1' },
};

export default config;
