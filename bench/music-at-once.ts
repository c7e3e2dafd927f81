/** From a dropped file to music on the screen, in the built application; and what another engraver needs for it. */
import type { Page } from 'playwright-core';
import { address, withApplication } from './browser';
import { dropToMusic } from './drop-file';
import { longTasksOf, noteLongTasks } from './long-tasks';
import { median } from './median';

/** Medians, in milliseconds. */
export interface MusicAtOnce {
  /** From the drop to the first system, at once in a browser that saw nothing of the application before. */
  readonly cold: number;
  /** The same, five seconds after the first page opened. */
  readonly settled: number;
  /** The longest tasks of the page meanwhile. */
  readonly longTasks: readonly number[];
  /** OpenSheetMusicDisplay reading and drawing the whole file. */
  readonly others: number;
}

/** Opens an empty studio; `settleMs` after it nothing more is awaited. */
async function openEmpty(page: Page, settleMs: number): Promise<void> {
  await noteLongTasks(page);
  await page.addInitScript(() => localStorage.setItem('oak-rungs.studio', 'own'));
  await page.goto(address('/shelf'));
  await page.getByRole('button', { name: 'Bring in pieces' }).waitFor();
  await page.waitForTimeout(settleMs);
}

async function othersTime(page: Page, text: string): Promise<number> {
  await page.goto('about:blank');
  await page.addScriptTag({ path: 'node_modules/opensheetmusicdisplay/build/opensheetmusicdisplay.min.js' });
  return page.evaluate(async (content) => {
    interface Reader {
      load(t: string): Promise<unknown>;
      render(): void;
    }
    const { OpenSheetMusicDisplay } = (
      window as unknown as {
        opensheetmusicdisplay: { OpenSheetMusicDisplay: new (host: HTMLElement, options: object) => Reader };
      }
    ).opensheetmusicdisplay;
    const start = performance.now();
    const reader = new OpenSheetMusicDisplay(document.body, { autoResize: false });
    await reader.load(content);
    reader.render();
    return performance.now() - start;
  }, text);
}

/** Medians of so many runs, each in a profile of its own; null where the application is not built. */
export function measureMusicAtOnce(text: string, runs = 5): Promise<MusicAtOnce | null> {
  return withApplication(async (_, browser) => {
    const cold: number[] = [];
    const settled: number[] = [];
    const others: number[] = [];
    const tasks: number[] = [];
    const fresh = async <T>(work: (page: Page) => Promise<T>): Promise<T> => {
      const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
      try {
        return await work(await context.newPage());
      } finally {
        await context.close();
      }
    };
    // One after the other in each round, so that what else the machine does falls on all of them.
    for (let run = 0; run < runs; run += 1) {
      cold.push(
        await fresh(async (page) => {
          await openEmpty(page, 0);
          return dropToMusic(page, text);
        }),
      );
      settled.push(
        await fresh(async (page) => {
          await openEmpty(page, 5000);
          await longTasksOf(page);
          const music = await dropToMusic(page, text);
          tasks.push(...(await longTasksOf(page)));
          return music;
        }),
      );
      others.push(await fresh((page) => othersTime(page, text)));
    }
    return {
      cold: median(cold),
      settled: median(settled),
      others: median(others),
      longTasks: tasks.sort((a, b) => b - a).slice(0, 5),
    };
  });
}
