import { mkdtempSync, rmSync, statSync, writeFileSync, appendFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from 'playwright-core';
import { DECADES, decadesAsText } from './decades';
import { address, withApplication } from './browser';
import { longestOf, longTasksOf, noteLongTasks } from './long-tasks';
import type { Report } from './report';

const FIRST_CELL = '[data-cell="0-0"]';
const PATIENCE_MS = 600_000;
const KEYS = 20;

async function timed(work: () => Promise<unknown>): Promise<number> {
  const start = performance.now();
  await work();
  return performance.now() - start;
}

/** The longest task on the page since the last time it was asked. */
const longestTask = async (page: Page): Promise<number> => longestOf(await longTasksOf(page));

/** From a digit key to its level on the board, medians of some. */
async function keyToLevel(page: Page): Promise<number> {
  await page.locator(FIRST_CELL).focus();
  const times: number[] = [];
  for (let i = 0; i < KEYS; i += 1)
    times.push(
      await page.evaluate(
        (key) =>
          new Promise<number>((resolve) => {
            const cell = document.querySelector('[data-cell="0-0"]');
            const start = performance.now();
            const observer = new MutationObserver(() => {
              if (!cell?.getAttribute('aria-label')?.includes(`level ${key}`)) return;
              observer.disconnect();
              requestAnimationFrame(() => resolve(performance.now() - start));
            });
            if (cell) observer.observe(cell, { childList: true, subtree: true, characterData: true, attributes: true });
            cell?.dispatchEvent(new KeyboardEvent('keydown', { key, code: `Digit${key}`, bubbles: true }));
          }),
        String((i % 2) + 1),
      ),
    );
  return times.sort((x, y) => x - y)[KEYS / 2] ?? NaN;
}

/** Frames a second while the board of all pieces is scrolled in both directions. */
const scrolledAt = (page: Page): Promise<number> =>
  page.evaluate(async () => {
    const grid = document.querySelector('[role="grid"]');
    const frames = 60;
    const start = performance.now();
    for (let i = 0; i < frames; i += 1) {
      grid?.scrollBy(20, 20);
      await new Promise((resolve) => requestAnimationFrame(resolve));
    }
    return (frames * 1000) / (performance.now() - start);
  });

/**
 * A studio of decades, from its file: brought in, opened, looked at, recorded in, and saved. Times are of this machine;
 * those of the demo studio stand beside them.
 */
export async function measureStudio({ figure, say }: Report): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'oak-decades-'));
  const path = join(folder, 'decades.oakrungs.json');
  writeFileSync(path, '');
  for (const text of decadesAsText(DECADES)) appendFileSync(path, text);
  say('studio of decades, its file', `${(statSync(path).size / 1e6).toFixed(0)} MB`);
  await withApplication(async (page) => {
    await noteLongTasks(page);
    const opens = (to: string, there: string): Promise<number> =>
      timed(async () => {
        await page.goto(address(to));
        await page.locator(there).first().waitFor({ timeout: PATIENCE_MS });
      });
    await opens('/board?piece=demo-quay', FIRST_CELL);
    const demo = await opens('/board?piece=demo-quay', FIRST_CELL);
    await page.evaluate(() => localStorage.setItem('oak-rungs.studio', 'own'));
    await opens('/files', 'input[type=file]');
    await longestTask(page);
    const brought = await timed(async () => {
      await page.locator('input[type=file]').setInputFiles(path);
      await page.getByText('was brought in').waitFor({ timeout: PATIENCE_MS });
    });
    figure('500,000 records brought in', brought / 1000, 's', 40);
    figure('longest task of the page meanwhile', await longestTask(page), 'ms', 50);
    const board = await opens('/board?piece=p3', FIRST_CELL);
    figure('opening on the board of a piece, the application included', board, 'ms', 1500);
    figure('ratio to the demo studio', board / demo, '×');
    await keyToLevel(page);
    figure('a level recorded → seen', await keyToLevel(page), 'ms', 50);
    const stage = async (name: string, there: string): Promise<number> =>
      timed(async () => {
        await page.locator(`header a[href^="/${name}"]`).last().click();
        await page.locator(there).first().waitFor({ timeout: PATIENCE_MS });
      });
    await stage('shelf', 'table[aria-label="Pieces"]');
    figure('board of one piece, from the shelf', await stage('board', FIRST_CELL), 'ms', 300);
    await opens('/shelf?student=st5', 'table[aria-label="Pieces"]');
    figure('lesson, from the shelf', await stage('lesson', '[role=tab]'), 'ms', 300);
    await opens('/shelf', 'table[aria-label="Pieces"]');
    figure(
      'board of all pieces, from the shelf',
      await stage('board', `${FIRST_CELL}[aria-label*="level"]`),
      'ms',
      1000,
    );
    figure('frames a second while it is scrolled (60 wanted)', await scrolledAt(page), 'frames');
    await opens('/files', 'input[type=file]');
    await longestTask(page);
    const saved = await timed(async () => {
      const download = page.waitForEvent('download', { timeout: PATIENCE_MS });
      await page.getByRole('button', { name: 'Save the studio file' }).click();
      await (await download).path();
    });
    figure('500,000 records saved', saved / 1000, 's', 15);
    figure('longest task of the page while they are', await longestTask(page), 'ms', 50);
  });
  rmSync(folder, { recursive: true, force: true });
}
