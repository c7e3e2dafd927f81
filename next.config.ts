import type { NextConfig } from 'next';

const config: NextConfig = {
  reactStrictMode: true,
  poweredByHeader: false,
  // The address bar carries the state; nothing here is fetched from elsewhere.
  devIndicators: false,
};

export default config;
