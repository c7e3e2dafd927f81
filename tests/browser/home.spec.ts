/** The practice room: a child's day by touch on a telephone, by keys on a desk, and what becomes of it. */
import { expect, test, type Page } from '@playwright/test';
import { troublesOf } from './axe';
import { DEMO_BUILT } from './demo-built';
import { storedRows } from './studio';

test.use({ storageState: DEMO_BUILT });

const HOME = '/home?student=demo-imke';
const practised = async (page: Page): Promise<readonly Record<string, unknown>[]> =>
  (await storedRows(page, 'events', 'demo')).filter(
    (e) => e['kind'] === 'practice' && e['studentId'] === 'demo-imke' && / right$/.test(String(e['note'])),
  );
const ready = (page: Page): Promise<void> => page.locator('.engraved g.note').first().waitFor();

test.describe('on a telephone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });
  test('a day is practised by touch, task after task, and comes into the studio', async ({ page }) => {
    await page.goto(HOME);
    await page.getByRole('button', { name: 'Yes, keep what Imke does' }).tap();
    const tasks = page.getByRole('list', { name: 'Today' }).getByRole('button');
    const count = await tasks.count();
    expect(count).toBeGreaterThan(1);
    const before = (await practised(page)).length;
    for (let i = 0; i < count; i += 1) {
      await tasks.nth(i).tap();
      await expect(tasks.nth(i)).toHaveAttribute('aria-current', 'step');
      const right = page.getByRole('button', { name: 'Right', exact: true });
      await right.waitFor();
      await ready(page);
      // The two fields lie at the thumb, on the first screen, and are large.
      await expect(right).toBeInViewport();
      expect((await right.boundingBox())?.height).toBeGreaterThanOrEqual(44);
      await right.tap();
      await page.getByRole('button', { name: 'Again', exact: true }).tap();
      await page.getByRole('button', { name: 'Not that one' }).tap();
      await page.getByRole('button', { name: /^Keep it/ }).tap();
      await expect.poll(async () => (await practised(page)).length).toBe(before + i + 1);
    }
    expect((await practised(page)).slice(-1)).toMatchObject([{ times: 1, note: '1 of 1 right' }]);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
    expect(await troublesOf(page)).toEqual([]);
  });
});

test('counting by keys: three in a row, a miss, taken back; a reload loses nothing; undo takes the record away', async ({
  page,
}) => {
  await page.goto(HOME);
  await page.getByRole('button', { name: 'Yes, keep what Imke does' }).click();
  await ready(page);
  const status = page.getByRole('region', { name: 'In hand' }).getByRole('status');
  await page.getByRole('list', { name: 'Today' }).getByRole('button').nth(1).click();
  await ready(page);
  await page.locator('body').press('ArrowRight');
  await expect(status).toContainText(/1 in a row|Done/);
  await page.locator('body').press('ArrowLeft');
  await expect(status).toContainText('0 in a row');
  await page.locator('body').press('Backspace');
  await expect(status).toContainText(/1 in a row|Done/);
  await page.reload();
  await page.getByRole('button', { name: 'Yes, keep what Imke does' }).click();
  await page.getByRole('list', { name: 'Today' }).getByRole('button').nth(1).click();
  await ready(page);
  await expect(status).toContainText(/1 in a row|Done/);
  const before = (await practised(page)).length;
  await page.getByRole('button', { name: /^Keep it/ }).click();
  await expect.poll(async () => (await practised(page)).length).toBe(before + 1);
  await page.locator('body').press('Control+z');
  await expect(page.getByText('Undone: practice of Imke')).toBeVisible();
  const [last] = (await practised(page)).slice(-1);
  const takenBack = (await storedRows(page, 'events', 'demo')).filter((e) => e['kind'] === 'retract');
  expect(takenBack.map((e) => e['target'])).toContain(last?.['id']);
});

test('only tried is never kept', async ({ page }) => {
  await page.goto(HOME);
  await page.getByRole('button', { name: 'No, I am only trying it' }).click();
  await ready(page);
  const before = (await practised(page)).length;
  await page.getByRole('button', { name: 'Right', exact: true }).click();
  await page.getByRole('button', { name: /^Keep it/ }).click();
  await expect(page.getByText('Only tried: nothing was kept.')).toBeVisible();
  expect(await practised(page)).toHaveLength(before);
});

test('it is heard: counted in, followed bar by bar, stopped by the same key', async ({ page }) => {
  await page.goto(HOME);
  await page.getByRole('button', { name: 'No, I am only trying it' }).click();
  await ready(page);
  await page.locator('body').press('Space');
  const silence = page.getByRole('button', { name: 'Silence' });
  await expect(silence).toBeVisible();
  await expect(page.getByText(/^[1-4]$/).and(page.locator('.text-6xl'))).toBeVisible();
  await expect(page.locator('[data-heard-bar]')).toHaveAttribute('data-heard-bar', /\d/);
  await page.locator('body').press('Space');
  await expect(page.getByRole('button', { name: 'Play it' })).toBeVisible();
});

test('a rhythm is tapped by keys over the click, and judged note by note', async ({ page }) => {
  await page.goto(HOME);
  await page.getByRole('button', { name: 'No, I am only trying it' }).click();
  await ready(page);
  await page.getByRole('button', { name: 'Tap the rhythm' }).click();
  const panel = page.getByRole('region', { name: 'Tap the rhythm' });
  await panel.getByRole('button', { name: 'Count me in' }).click();
  // Counted in, then a few taps; stopped before the end, the rest is missed.
  await expect(panel.getByText(/^4$/)).toBeVisible();
  await expect(panel.getByText(/^[1-4]$/)).toBeHidden();
  await page.locator('body').press('f');
  await page.locator('body').press('j');
  await panel.getByRole('button', { name: 'Stop' }).click();
  await expect(panel.getByRole('status')).toContainText(/\d+ of \d+ in time\./);
  await expect(panel.getByRole('status')).toContainText(/missed/);
  expect(await troublesOf(page)).toEqual([]);
  await panel.getByRole('button', { name: 'Back to the music' }).click();
  await ready(page);
});

test('the room asks who is practising', async ({ page }) => {
  await page.goto('/home');
  await page.getByRole('button', { name: 'Imke' }).click();
  await expect(page).toHaveURL(/student=demo-imke/);
  await expect(page.getByRole('list', { name: 'Today' })).toBeVisible();
});
