import { readFileSync } from 'node:fs';
import { gunzipSync } from 'node:zlib';
import type { Locator, Page } from '@playwright/test';

/** Opens the teacher's own, empty studio as after a first visit and one click, which the story of a studio makes. */
export async function openOwnStudio(page: Page): Promise<void> {
  await page.addInitScript((choice) => {
    if (localStorage.getItem(choice) === null) localStorage.setItem(choice, 'own');
  }, 'oak-rungs.studio');
  await page.goto('/shelf');
  await page.getByRole('heading', { name: 'Three steps to begin' }).waitFor();
}

/** The same from the demo of a first visit, as a teacher does it. */
export async function leaveDemo(page: Page): Promise<void> {
  await page.goto('/shelf');
  await page.getByRole('button', { name: 'Start my own, empty studio' }).click();
  await page.getByRole('heading', { name: 'Three steps to begin' }).waitFor();
}

/** All rows of a table of a studio, the own one unless named, read from IndexedDB itself. */
export async function storedRows(
  page: Page,
  table: string,
  studio: 'own' | 'demo' = 'own',
): Promise<Record<string, unknown>[]> {
  // As one text: handing thousands of values over one by one takes seconds.
  const text = await page.evaluate(
    ([name, database]) =>
      new Promise<string>((resolve, reject) => {
        const open = indexedDB.open(database);
        open.onerror = () => reject(open.error);
        open.onsuccess = () => {
          const all = open.result.transaction(name).objectStore(name).getAll();
          all.onerror = () => reject(all.error);
          all.onsuccess = () => {
            open.result.close();
            resolve(JSON.stringify(all.result));
          };
        };
      }),
    [table, `oak-rungs-${studio}`] as const,
  );
  return JSON.parse(text) as Record<string, unknown>[];
}

/** Goes to a stage by its link and waits until it is there. */
export async function goTo(page: Page, stage: string): Promise<void> {
  const link = page.getByRole('link', { name: new RegExp(`^${stage}`) });
  if (['Files', 'Settings', 'About'].includes(stage)) {
    await page.getByRole('button', { name: 'Studio', exact: true }).click();
    await page.getByRole('menuitem', { name: stage }).click();
  } else await link.click();
  await page.waitForURL(new RegExp(`/${stage.toLowerCase()}`));
}

/** Puts a row into a table behind the application's back, as a damaged database would have it. */
export function putRow(page: Page, table: string, row: Record<string, unknown>): Promise<void> {
  return page.evaluate(
    ([name, value]) =>
      new Promise<void>((resolve, reject) => {
        const open = indexedDB.open('oak-rungs-own');
        open.onerror = () => reject(open.error);
        open.onsuccess = () => {
          const done = open.result.transaction(name, 'readwrite');
          done.objectStore(name).put(value);
          done.onerror = () => reject(done.error);
          done.oncomplete = () => {
            open.result.close();
            resolve();
          };
        };
      }),
    [table, row] as const,
  );
}

/** Brings a music file in and opens it in Read; where it is asked whose part it is, the guess is taken. */
export async function bringMusic(page: Page, name: string, content: string | Buffer): Promise<void> {
  await page
    .getByLabel('Choose a music file')
    .setInputFiles({ name, mimeType: 'application/octet-stream', buffer: Buffer.from(content) });
  const onShelf = page.waitForURL(/\/prepare/);
  const asked = page.getByRole('button', { name: 'Put it on the shelf' });
  const twice = page.getByRole('button', { name: 'Bring it in all the same' });
  await Promise.race([onShelf, asked.waitFor(), twice.waitFor()]);
  if (await twice.isVisible()) {
    await twice.click();
    await Promise.race([onShelf, asked.waitFor()]);
  }
  if (await asked.isVisible()) await asked.click();
  await onShelf;
  await goTo(page, 'Read');
}

/** Takes a choice from a list by what stands on it. */
export async function pick(within: Page | Locator, list: string | RegExp, choice: string | RegExp): Promise<void> {
  const button = within.getByRole('button', { name: typeof list === 'string' ? new RegExp(`^${list}: `) : list });
  await button.click();
  const page = 'page' in within && typeof within.page === 'function' ? within.page() : (within as Page);
  await page
    .getByRole('option', { name: choice, exact: typeof choice === 'string' })
    .first()
    .click();
}

/** Opens what is seldom changed of how marks are seen. */
export async function openCounts(page: Page): Promise<void> {
  const button = page.getByRole('button', { name: 'Counts and lanes' });
  if ((await button.getAttribute('aria-expanded')) !== 'true') await button.click();
}

/** Takes over what is behind the button beside the fingers. */
export async function takeOver(page: Page, what: string | RegExp): Promise<void> {
  await page.getByRole('button', { name: 'More to take over' }).click();
  await page.getByRole('menuitem', { name: what }).click();
}

/** A saved studio file, unpacked. */
export const unpacked = (path: string): string => gunzipSync(readFileSync(path)).toString('utf8');

/** Where students stand, as it is kept. */
export const storedStandings = async (page: Page): Promise<Record<string, unknown>[]> =>
  (await storedRows(page, 'works')).flatMap((work) => work['standings'] as Record<string, unknown>[]);
