import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  test: {
    include: ['src/**/*.test.{ts,tsx}', 'cli/**/*.test.ts', 'tests/{checks,pages}/**/*.test.ts'],
    testTimeout: 60_000,
    // Both cores of the smallest machine; by itself the runner leaves one idle.
    maxWorkers: 2,
    // One reading of the modules for all files: half of the time went into reading them anew for each.
    isolate: false,
    setupFiles: ['fake-indexeddb/auto'],
  },
});
