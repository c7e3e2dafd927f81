import { mkdirSync, writeFileSync } from 'node:fs';
import { dirname } from 'node:path';
import { test as setup } from '@playwright/test';
import { DEMO_BUILT } from './demo-built';

setup('the demo studio is built once', async ({ page }) => {
  await page.goto('/shelf');
  await page.getByRole('table', { name: 'Pieces' }).waitFor({ timeout: 60_000 });
  const state = await page.context().storageState({ indexedDB: true });
  // Which studio is open is each test's own to say.
  const origins = state.origins.map((origin) => ({ ...origin, localStorage: [] }));
  mkdirSync(dirname(DEMO_BUILT), { recursive: true });
  writeFileSync(DEMO_BUILT, JSON.stringify({ ...state, origins }));
});
