import { defineConfig } from '@playwright/test';

const PORT = 4622;

export default defineConfig({
  testDir: 'tests/browser',
  timeout: 90_000,
  workers: 1,
  reporter: [['list'], ['json', { outputFile: '.cache/browser.json' }]],
  use: {
    baseURL: `http://localhost:${PORT}`,
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
  webServer: { command: `node_modules/.bin/next start -p ${PORT}`, url: `http://localhost:${PORT}/about`, reuseExistingServer: false, timeout: 60_000 },
});
