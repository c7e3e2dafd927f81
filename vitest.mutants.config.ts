import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

/** The tests that mutants have to get past: the quick ones of the pure rooms, and commands run in a store. */
export default defineConfig({
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  test: {
    include: ['src/core/{mastery,plan,ladder,commands,studio}/**/*.test.ts', 'src/store/run-command.test.ts'],
    testTimeout: 20_000,
    setupFiles: ['fake-indexeddb/auto'],
  },
});
