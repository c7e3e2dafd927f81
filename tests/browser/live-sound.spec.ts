/** Sound as it is played live in the room: in time on a busy page, followed on the music, and never in its way. */
import { expect, test, type Page } from '@playwright/test';
import { DEMO_OF_FRIDAY, onFriday } from './friday';

test.use({ storageState: DEMO_OF_FRIDAY });

/** Seconds by which the mark of a bar may come before or behind its sound. */
const MARKED_WITHIN = 0.03;
/** Milliseconds of a task that is felt. */
const FELT = 50;
/** The metronome's first beat of a bar, in hertz. */
const FIRST_BEAT = 1568;

interface Live {
  /** What was handed to the audio clock: when it is to sound, and what the clock said at that moment. */
  readonly starts: readonly { readonly hertz: number; readonly at: number; readonly said: number }[];
  /** When another bar was marked, on the audio clock. */
  readonly marks: readonly number[];
  /** The longest task of the page, milliseconds. */
  readonly longest: number;
}

/** Watches the audio clock, the mark on the music and the main thread from the inside. */
const watch = async (page: Page): Promise<void> => {
  await page.addInitScript(() => {
    const live: { starts: object[]; marks: number[]; longest: number } = { starts: [], marks: [], longest: 0 };
    let clock: AudioContext | null = null;
    const start = OscillatorNode.prototype.start;
    OscillatorNode.prototype.start = function (this: OscillatorNode, at = 0) {
      clock = this.context as AudioContext;
      live.starts.push({ hertz: this.frequency.value, at, said: this.context.currentTime });
      start.call(this, at);
    };
    let marked: string | null = null;
    new MutationObserver(() => {
      const bar = document.querySelector('[data-heard-bar]')?.getAttribute('data-heard-bar') ?? null;
      if (bar === marked) return;
      marked = bar;
      if (bar === null || clock === null) return;
      const { contextTime = 0, performanceTime = 0 } = clock.getOutputTimestamp();
      live.marks.push(contextTime + (performance.now() - performanceTime) / 1000);
    }).observe(document, { subtree: true, childList: true, attributes: true, attributeFilter: ['data-heard-bar'] });
    new PerformanceObserver((list) => {
      for (const task of list.getEntries()) live.longest = Math.max(live.longest, task.duration);
    }).observe({ type: 'longtask' });
    Object.assign(window, { live });
  });
};

const seen = (page: Page): Promise<Live> => page.evaluate(() => (window as unknown as { live: Live }).live);
/** Blocks the page, as heavy work would. */
const block = (page: Page, ms: number): Promise<void> =>
  page.evaluate((until) => {
    const end = performance.now() + until;
    while (performance.now() < end);
  }, ms);
const begin = async (page: Page): Promise<void> => {
  await onFriday(page);
  await watch(page);
  await page.goto('/home?student=demo-imke&piece=demo-quay');
  await page.getByRole('button', { name: /^No, I am only/ }).click();
  await page.locator('.engraved g.note').first().waitFor();
  // Faster, so that there is more to see in less time.
  for (let i = 0; i < 15; i += 1) await page.locator('body').press('ArrowUp');
};
const barsMarked = async (page: Page): Promise<number> => (await seen(page)).marks.length;

test('a page that is blocked for 300 ms again and again makes no beat late', async ({ page }) => {
  await begin(page);
  await page.locator('body').press('Space');
  await expect.poll(() => barsMarked(page)).toBeGreaterThan(0);
  for (let i = 0; i < 6; i += 1) await block(page, 300);
  await expect.poll(() => barsMarked(page)).toBeGreaterThan(2);
  const { starts } = await seen(page);
  const late = starts.filter((s) => s.at < s.said);
  expect(late).toEqual([]);
  const beats = starts.filter((s) => s.hertz > 1000).map((s) => s.at);
  const gaps = beats.slice(1).map((at, i) => at - (beats[i] ?? 0));
  expect(gaps.length).toBeGreaterThan(8);
  for (const gap of gaps) expect(gap).toBeCloseTo(gaps[0] ?? 0, 4);
});

test('the bar that sounds is marked within 30 ms of its sound, and nothing holds the page up for 50', async ({
  page,
}) => {
  await begin(page);
  // A machine that is busy with another test may hold it up: then once more.
  let off = Infinity;
  let longest = Infinity;
  for (let tries = 0; tries < 3 && (off > MARKED_WITHIN || longest > FELT); tries += 1) {
    await page.locator('body').press('Space');
    await expect.poll(() => barsMarked(page)).toBeGreaterThan(0);
    // From here on: what begins a piece loads sounds.
    await page.evaluate(() => Object.assign((window as unknown as { live: object }).live, { marks: [], longest: 0 }));
    await expect.poll(() => barsMarked(page)).toBeGreaterThan(3);
    const { starts, marks, longest: held } = await seen(page);
    const bars = starts.filter((s) => s.hertz === FIRST_BEAT).map((s) => s.at);
    off = Math.max(...marks.map((at) => Math.min(...bars.map((bar) => Math.abs(at - bar)))));
    longest = held;
    await page.locator('body').press('Space');
    await expect(page.getByRole('button', { name: 'Play it', exact: true })).toBeVisible();
    await page.evaluate(() => Object.assign((window as unknown as { live: object }).live, { marks: [], starts: [] }));
  }
  expect(off).toBeLessThanOrEqual(MARKED_WITHIN);
  expect(longest).toBeLessThanOrEqual(FELT);
});
