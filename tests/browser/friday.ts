import type { Page } from '@playwright/test';
import { dayOf, weekdayOf } from '@/core/studio';

/** A browser in which the demo studio was built on a Friday: on that day everybody has something to practise. */
export const DEMO_OF_FRIDAY = '.cache/demo-of-friday.json';

const FRIDAY = 4;
const DAY_MS = 86_400_000;

/** The clock of a page is that of the last Friday, and goes on from there. */
export async function onFriday(page: Page): Promise<void> {
  const now = Date.now();
  const since = (weekdayOf(dayOf(new Date(now).toISOString(), 'UTC')) - FRIDAY + 7) % 7;
  await page.clock.setSystemTime(now - since * DAY_MS);
}
