import { defineConfig } from '@playwright/test';
import { CHROMIUM_LAUNCH } from './scripts/chromium';

const PORT = 4622;

export default defineConfig({
  testDir: 'tests/browser',
  timeout: 90_000,
  // A machine that is busy with other work draws music slowly.
  expect: { timeout: 15_000 },
  // A third one works while two wait for sounds to be over.
  workers: 3,
  reporter: [['list'], ['json', { outputFile: '.cache/browser.json' }]],
  use: {
    baseURL: `http://localhost:${PORT}`,
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    launchOptions: CHROMIUM_LAUNCH,
  },
  projects: [
    // The demo is built once for all tests that are about it.
    { name: 'demo', testMatch: /demo-built\.setup\.ts/ },
    { name: 'browser', testMatch: /(?<!live-sound)\.spec\.ts/, dependencies: ['demo'] },
    // In time to hundredths of a second: nothing else may run beside it.
    { name: 'live', testMatch: /live-sound\.spec\.ts/, dependencies: ['browser'], fullyParallel: false },
  ],
  webServer: {
    command: `node_modules/.bin/next start -p ${PORT}`,
    url: `http://localhost:${PORT}/about`,
    reuseExistingServer: false,
    timeout: 60_000,
  },
});
