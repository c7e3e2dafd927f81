/** A day in the built application: how soon there is music, what the page was kept from, what it holds on to. */
import { readFileSync } from 'node:fs';
import type { Browser, Page } from 'playwright-core';
import { bigFile, ensembleFile } from './big-file';
import { address, withApplication } from './browser';
import { dropToMusic, linkToMusic } from './drop-file';
import { longestOf, longTasksOf, noteLongTasks } from './long-tasks';
import { median } from './median';
import type { Report } from './report';

/** Tasks of the page of more milliseconds are felt. */
const MOST_TASK = 50;
const RUNS = 5;
const MUSIC = '.engraved svg';

const stageLink = (stage: string): string => `nav[aria-label="Stages"] a[href^="/${stage}"]`;
/** Until the page asks for nothing more. */
const settle = (page: Page): Promise<void> => page.waitForLoadState('networkidle');

async function inProfile<T>(browser: Browser, studio: 'own' | 'demo', work: (page: Page) => Promise<T>): Promise<T> {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, acceptDownloads: true });
  await noteLongTasks(context);
  await context.addInitScript((name) => localStorage.setItem('oak-rungs.studio', name), studio);
  const page = await context.newPage();
  try {
    return await work(page);
  } finally {
    await context.close();
  }
}

/** Goes to a stage by its link and waits until something stands there. */
async function goTo(page: Page, stage: string, there: string): Promise<void> {
  await page.locator(stageLink(stage)).click();
  await page.waitForURL(new RegExp(`/${stage}`));
  await page.locator(there).first().waitFor();
}

/** Opens the shelf where files can be dropped. */
async function openShelf(page: Page): Promise<void> {
  await page.goto(address('/shelf'));
  await page.getByRole('button', { name: 'Bring in pieces' }).waitFor();
}

/** Does something and tells the long tasks of the page while it was done. */
const tellingTasks =
  (page: Page, { figure, say }: Report) =>
  async (what: string, work: () => Promise<unknown>): Promise<void> => {
    await longTasksOf(page);
    await work();
    await settle(page);
    const tasks = await longTasksOf(page);
    figure(`longest task: ${what}`, longestOf(tasks), 'ms', MOST_TASK);
    if (tasks.length > 1) say(`  all of them: ${what}`, tasks.join(', '));
  };

/** From a drop to music, in a browser that opened the shelf five seconds ago. */
const dropped = (browser: Browser, text: string): Promise<number> =>
  inProfile(browser, 'own', async (page) => {
    await openShelf(page);
    await page.waitForTimeout(5000);
    return dropToMusic(page, text);
  });

const several = async (runs: number, work: () => Promise<number>): Promise<number> => {
  const all: number[] = [];
  for (let run = 0; run < runs; run += 1) all.push(await work());
  return median(all);
};

/** Brings a piece in and waits until it is stored and open. */
async function bringIn(page: Page, text: string): Promise<void> {
  await openShelf(page);
  await dropToMusic(page, text);
  await page.waitForURL(/piece=/);
  await page.locator(MUSIC).first().waitFor();
}

const STAGES_WITH_MUSIC = ['sections', 'marks', 'read'] as const;

/** From a stage to the next, to its music: the median over all ways, each stage seen before. */
async function stageToStage(page: Page): Promise<number> {
  for (const stage of STAGES_WITH_MUSIC) {
    await goTo(page, stage, MUSIC);
    await settle(page);
  }
  const times: number[] = [];
  for (let run = 0; run < RUNS; run += 1)
    for (const stage of STAGES_WITH_MUSIC) times.push(await linkToMusic(page, stageLink(stage)));
  return median(times);
}

/** Does each thing of a day and tells the long tasks of the page while it was done. */
async function longTasksOfDay(page: Page, report: Report): Promise<void> {
  const during = tellingTasks(page, report);
  await during('the first visit, with the demo made', async () => {
    await page.goto(address('/shelf'));
    await page.locator('table[aria-label="Pieces"]').waitFor();
  });
  await during('a piece opened', async () => {
    await page.locator('table[aria-label="Pieces"] a').first().click();
    await page.locator(MUSIC).first().waitFor();
  });
  await page.goto(address('/shelf?student=demo-imke&piece=demo-quay'));
  await page.locator('table[aria-label="Pieces"]').waitFor();
  await settle(page);
  for (const [stage, there] of [
    ['read', MUSIC],
    ['sections', MUSIC],
    ['marks', MUSIC],
    ['ladder', 'main h2'],
    ['lesson', 'main [role=tab]'],
    ['home', 'main h1, main h2'],
    ['board', 'main section'],
  ] as const)
    await during(`demo piece, ${stage}`, () => goTo(page, stage, there));
  await page.goto(address('/board?piece=demo-quay'));
  await page.locator('[data-cell="0-0"]').focus();
  await settle(page);
  await during('a level on the board', async () => {
    for (const key of ['1', '2', '3']) await page.keyboard.press(key);
    await page.locator('[data-cell="0-0"][aria-label*="level 3"]').waitFor();
  });
  await page.goto(address('/files'));
  await page.locator('input[type=file]').waitFor();
  await settle(page);
  let saved = '';
  await during('the studio saved', async () => {
    const coming = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Save the studio file' }).click();
    saved = await (await coming).path();
  });
  await during('a studio brought in', async () => {
    await page.locator('input[type=file]').setInputFiles({
      name: 'studio.oakrungs.json.gz',
      mimeType: 'application/gzip',
      buffer: readFileSync(saved),
    });
    await page.getByText('was brought in').waitFor();
  });
}

/** The same on a piece of 400 bars that was just brought in. */
async function longTasksOfLongPiece(page: Page, report: Report): Promise<void> {
  const during = tellingTasks(page, report);
  await openShelf(page);
  await settle(page);
  await during('400 bars, brought in', async () => {
    await dropToMusic(page, bigFile(400));
    await page.waitForURL(/piece=/);
    await page.locator('main h1, main h2').first().waitFor();
  });
  for (const stage of ['read', 'sections', 'marks', 'ladder'] as const)
    await during(`400 bars, ${stage}`, () => goTo(page, stage, stage === 'ladder' ? 'main h2' : MUSIC));
}

/** Bytes that scripts hold on to, after collection. */
async function heapOf(page: Page): Promise<number> {
  const session = await page.context().newCDPSession(page);
  await session.send('HeapProfiler.collectGarbage');
  const { usedSize } = await session.send('Runtime.getHeapUsage');
  await session.detach();
  return usedSize;
}

const STAGE_CHANGES = 200;
const PIECES_OPENED = 50;

/** What the page holds after many changes of stages and many pieces, above what it held after some. */
async function growthOfHeap(page: Page, { figure }: Report): Promise<void> {
  await page.goto(address('/read?piece=demo-quay&student=demo-imke'));
  const stages = ['sections', 'marks', 'ladder', 'lesson', 'read'] as const;
  const change = async (n: number): Promise<void> => {
    const stage = stages[n % stages.length] ?? 'read';
    await goTo(page, stage, 'main h1, main h2');
  };
  const open = async (n: number): Promise<void> => {
    await page.locator(stageLink('shelf')).click();
    const links = page.locator('table[aria-label="Pieces"] a');
    await links.first().waitFor();
    await links.nth(n % 8).click();
    await page.locator('main .engraved svg, main .line').first().waitFor();
  };
  for (let n = 0; n < 10; n += 1) await change(n);
  for (let n = 0; n < 8; n += 1) await open(n);
  await settle(page);
  const before = await heapOf(page);
  for (let n = 0; n < STAGE_CHANGES; n += 1) await change(n);
  for (let n = 0; n < PIECES_OPENED; n += 1) await open(n);
  await settle(page);
  figure(
    'heap after 200 changes of stage and 50 pieces, more than before',
    ((await heapOf(page)) - before) / 1e6,
    'MB',
    20,
  );
  figure('workers that run then', page.workers().length, 'workers', 5);
}

export async function measureDay(kept: Report): Promise<void> {
  const { figure } = kept;
  await withApplication(async (_, browser) => {
    figure('drop → music, 32 bars, settled', await several(RUNS, () => dropped(browser, bigFile(32))), 'ms', 700);
    figure(
      'drop → music, 22 parts of 60 bars, settled',
      await several(RUNS, () => dropped(browser, ensembleFile(22, 60))),
      'ms',
      2000,
    );
    for (const [bars, most] of [
      [32, 150],
      [400, 300],
    ] as const)
      await inProfile(browser, 'own', async (page) => {
        await bringIn(page, bigFile(bars));
        figure(`stage → music, ${bars} bars`, await stageToStage(page), 'ms', most);
        const opened: number[] = [];
        for (let run = 0; run < RUNS; run += 1) {
          await page.goto(address('/shelf'));
          await settle(page);
          opened.push(await linkToMusic(page, 'table[aria-label="Pieces"] a'));
        }
        figure(`stored piece of ${bars} bars, click → music`, median(opened), 'ms', bars === 32 ? 200 : undefined);
      });
    await inProfile(browser, 'demo', (page) => longTasksOfDay(page, kept));
    await inProfile(browser, 'own', (page) => longTasksOfLongPiece(page, kept));
    await inProfile(browser, 'demo', (page) => growthOfHeap(page, kept));
  });
}
