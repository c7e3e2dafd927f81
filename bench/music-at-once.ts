/** From a dropped file to music on the screen, in the built application; and what another engraver needs for it. */
import type { Page } from 'playwright-core';
import { PORT, withApplication } from './browser';

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

const median = (list: readonly number[]): number =>
  [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)] ?? Number.NaN;

/** Opens an empty studio; `settleMs` after it nothing more is awaited. */
async function openEmpty(page: Page, settleMs: number): Promise<void> {
  await page.addInitScript(() => localStorage.setItem('oak-rungs.studio', 'own'));
  await page.goto(`http://localhost:${PORT}/shelf`);
  await page.getByRole('button', { name: 'Bring in pieces' }).waitFor();
  await page.waitForTimeout(settleMs);
}

/** Drops the file and waits for an engraved system; the file is made in the page before the time is taken. */
async function dropAndTime(
  page: Page,
  text: string,
): Promise<{ readonly music: number; readonly tasks: readonly number[] }> {
  await page.evaluate('globalThis.__name = (f) => f');
  return page.evaluate(async (content) => {
    const file = new File([content], 'big.musicxml', { type: 'text/xml' });
    const data = new DataTransfer();
    data.items.add(file);
    const tasks: number[] = [];
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries()) tasks.push(Math.round(entry.duration));
    }).observe({ type: 'longtask' });
    // Where a file is let go of: inside the shelf, from where the event goes up.
    const target = document.querySelector('h1') ?? document.body;
    const start = performance.now();
    const seen = new Promise<number>((resolve, reject) => {
      setTimeout(() => reject(new Error('no music within a minute')), 60_000);
      const look = (): void => {
        if (document.querySelector('.engraved svg')) {
          observer.disconnect();
          requestAnimationFrame(() => resolve(performance.now() - start));
        }
      };
      const observer = new MutationObserver(look);
      observer.observe(document.body, { childList: true, subtree: true });
    });
    for (const kind of ['dragenter', 'dragover', 'drop'])
      target.dispatchEvent(new DragEvent(kind, { bubbles: true, cancelable: true, dataTransfer: data }));
    return { music: await seen, tasks };
  }, text);
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
          return (await dropAndTime(page, text)).music;
        }),
      );
      settled.push(
        await fresh(async (page) => {
          await openEmpty(page, 5000);
          const { music, tasks: long } = await dropAndTime(page, text);
          tasks.push(...long);
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
