import type { BrowserContext, Page } from 'playwright-core';

/** A task of the page of more than 50 ms, as the browser's own observer tells it. */
interface Told {
  longTasks?: number[];
}

/** Has every page note its long tasks from its first moment on. */
export const noteLongTasks = (to: Page | BrowserContext): Promise<unknown> =>
  to.addInitScript(() => {
    const kept = globalThis as unknown as Told;
    new PerformanceObserver((list) => {
      kept.longTasks = [...(kept.longTasks ?? []), ...list.getEntries().map((e) => Math.round(e.duration))];
    }).observe({ type: 'longtask', buffered: true });
  });

/** The long tasks, in milliseconds, since this was asked the last time. */
export const longTasksOf = (page: Page): Promise<readonly number[]> =>
  page.evaluate(() => {
    const kept = globalThis as unknown as Told;
    const tasks = kept.longTasks ?? [];
    kept.longTasks = [];
    return tasks;
  });

export const longestOf = (tasks: readonly number[]): number => Math.max(0, ...tasks);
