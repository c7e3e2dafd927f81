import { mkdirSync, writeFileSync } from 'node:fs';
import { dirname } from 'node:path';
import { test as setup, type Page } from '@playwright/test';
import { DEMO_BUILT } from './demo-built';
import { DEMO_OF_FRIDAY, onFriday } from './friday';

/** Builds the demo as on a first visit, and keeps the browser as it is then. */
async function build(page: Page, into: string): Promise<void> {
  await page.goto('/shelf');
  await page.getByRole('table', { name: 'Pieces' }).waitFor({ timeout: 60_000 });
  const state = await page.context().storageState({ indexedDB: true });
  // Which studio is open is each test's own to say.
  const origins = state.origins.map((origin) => ({ ...origin, localStorage: [] }));
  mkdirSync(dirname(into), { recursive: true });
  writeFileSync(into, JSON.stringify({ ...state, origins }));
}

setup('the demo studio is built once', ({ page }) => build(page, DEMO_BUILT));
setup('and once on a Friday', async ({ page }) => {
  await onFriday(page);
  await build(page, DEMO_OF_FRIDAY);
});
