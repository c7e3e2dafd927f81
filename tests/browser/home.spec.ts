/** The practice room: a child's day by touch on a telephone, by keys on a desk, and what becomes of it. */
import { expect, test, type Page } from '@playwright/test';
import { fillStorage, makeRoom } from './full-storage';
import { troublesOf } from './axe';
import { DEMO_OF_FRIDAY, onFriday } from './friday';
import { storedRows } from './studio';

test.use({ storageState: DEMO_OF_FRIDAY });

const HOME = '/home?student=demo-imke';
const practised = async (page: Page): Promise<readonly Record<string, unknown>[]> =>
  (await storedRows(page, 'events', 'demo')).filter(
    (e) => e['kind'] === 'practice' && e['studentId'] === 'demo-imke' && e['right'] !== undefined,
  );
test.beforeEach(({ page }) => onFriday(page));
/** How many in a row. */
const counted = (page: Page) =>
  page
    .getByRole('region', { name: 'In hand' })
    .getByRole('status')
    .filter({ hasText: /in a row|Done,/ });
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
    expect((await practised(page)).slice(-1)).toMatchObject([{ times: 1, right: 1 }]);
    // What was really played, to the tenth of a minute.
    for (const log of await practised(page)) expect(log['minutes']).toBeGreaterThan(0);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
    expect(await troublesOf(page)).toEqual([]);
    // And at the teacher's desk: what happened at home since the last lesson.
    await page.setViewportSize({ width: 1280, height: 800 });
    await page.goto('/lesson?student=demo-imke');
    await expect(page.getByText(/^At home since: \d+ minutes? on \d+ days?$/)).toBeVisible();
  });
});

test('counting by keys: three in a row, a miss, taken back; a reload loses nothing; undo takes the record away', async ({
  page,
}) => {
  await page.goto(HOME);
  await page.getByRole('button', { name: 'Yes, keep what Imke does' }).click();
  await ready(page);
  const status = counted(page);
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
  await expect(page.getByRole('button', { name: 'Play it', exact: true })).toBeVisible();
});

/** Chooses how it is practised. */
const turnTo = async (page: Page, way: string): Promise<void> => {
  await page.getByRole('button', { name: /^How to practise it/ }).click();
  await page.getByRole('option', { name: way }).click();
};
const inHand = (page: Page) => page.getByRole('region', { name: 'In hand' });
const begin = async (page: Page, who: RegExp, address = HOME): Promise<void> => {
  await page.goto(address);
  await page.getByRole('button', { name: who }).click();
  await ready(page);
};

test('a rhythm is tapped by keys over the click, judged note by note, and kept; the lesson hears of it', async ({
  page,
}) => {
  await begin(page, /^Yes, keep/);
  const of = (await inHand(page).locator('p').first().textContent()) ?? '';
  const section = /, ([^\s,.]+)[,.]/.exec(of)?.[1] ?? '';
  await turnTo(page, 'Tap the rhythm');
  const panel = page.getByRole('region', { name: 'Tap the rhythm' });
  // The keys are those of the panel now: the right foot counts nothing.
  await page.locator('body').press('ArrowRight');
  await page.locator('body').press('Space');
  // Counted in, then a few taps; stopped before the end, the rest is missed.
  await expect(panel.getByText(/^4$/)).toBeVisible();
  await expect(panel.getByText(/^1$/)).toBeVisible();
  await page.locator('body').press('f');
  await page.locator('body').press('j');
  await page.locator('body').press('Space');
  await expect(panel.getByRole('status')).toContainText(/\d+ of \d+ in time\./);
  await expect(panel.getByRole('status')).toContainText(/missed/);
  expect(await troublesOf(page)).toEqual([]);
  await panel.getByRole('button', { name: /^Keep it/ }).click();
  await expect(page.getByText(/^Kept:/)).toBeVisible();
  const [kept] = (await storedRows(page, 'events', 'demo')).filter((e) => e['tapped'] !== undefined);
  expect(kept).toMatchObject({ kind: 'practice', studentId: 'demo-imke', times: 0 });
  await page
    .getByRole('button', { name: /^Lesson/ })
    .or(page.getByRole('link', { name: /^Lesson/ }))
    .first()
    .click();
  await page
    .getByRole('button', { name: new RegExp(`^${section} `) })
    .first()
    .click();
  await expect(page.getByText(/tapped \d+ of \d+ in time/).first()).toBeVisible();
});

test('with the storage full nothing is said to be kept, nothing goes on, and the passes are still there', async ({
  page,
}) => {
  await begin(page, /^Yes, keep/);
  const status = counted(page);
  await page.locator('body').press('ArrowRight');
  await expect(status).toContainText(/1 in a row|Done/);
  const before = (await practised(page)).length;
  await fillStorage(page);
  const task = await inHand(page).getByRole('heading').first().textContent();
  await page.getByRole('button', { name: /^Keep it/ }).click();
  await expect(page.getByText(/no room left/)).toBeVisible();
  await expect(page.getByText(/^Kept:/)).toBeHidden();
  await expect(inHand(page).getByRole('heading').first()).toHaveText(task ?? '');
  await expect(status).toContainText(/1 in a row|Done/);
  expect(await practised(page)).toHaveLength(before);
  await makeRoom(page);
  await page.getByRole('button', { name: /^Keep it/ }).click();
  await expect.poll(async () => (await practised(page)).length).toBe(before + 1);
  await page.reload();
  await page.getByRole('button', { name: /^Yes, keep/ }).click();
  await ready(page);
  await expect(status).toContainText('0 in a row');
});

test('what is open in two tabs is kept once', async ({ page, context }) => {
  /** Three in a row are asked for: one pass leaves it open. */
  const second = async (tab: Page): Promise<void> => {
    await begin(tab, /^Yes, keep/);
    await tab.getByRole('list', { name: 'Today' }).getByRole('button').nth(1).click();
    await ready(tab);
  };
  await second(page);
  await page.locator('body').press('ArrowRight');
  await expect(counted(page)).toContainText('1 in a row');
  const before = (await practised(page)).length;
  const other = await context.newPage();
  await onFriday(other);
  await second(other);
  await expect(counted(other)).toContainText('1 in a row');
  await page.getByRole('button', { name: /^Keep it/ }).click();
  await expect.poll(async () => (await practised(page)).length).toBe(before + 1);
  await other.getByRole('button', { name: /^Keep it/ }).click();
  await expect(counted(other)).toContainText('0 in a row');
  expect(await practised(other)).toHaveLength(before + 1);
});

test('a song is called and answered, chord by chord under its chords; the words come on the notes', async ({
  page,
}) => {
  await begin(page, /^No, I am only/, '/home?student=demo-jonah');
  await turnTo(page, 'Call and answer');
  await page.getByRole('button', { name: 'How it sounds' }).click();
  await page.getByRole('button', { name: /^What sounds/ }).click();
  await page.getByRole('option', { name: 'the chords, my part softly' }).click();
  await page.getByRole('button', { name: /^How the chords are played/ }).waitFor();
  await page.locator('body').press('Space');
  const phase = inHand(page).getByRole('status').first();
  await expect(phase).toContainText('Listen');
  await expect(phase).toContainText('Your turn');
  await page.locator('body').press('Space');
  await expect(page.getByRole('button', { name: 'Play it', exact: true })).toBeVisible();
  await turnTo(page, 'Say and play');
  await page.getByRole('button', { name: /^Say:/ }).click();
  await page.getByRole('option', { name: 'words' }).click();
  const words = page.locator('[data-said]');
  await expect(words.first()).toBeVisible();
  await page.locator('body').press('Space');
  await expect(words.last()).toBeHidden();
  await expect(page.locator('[data-said][data-now]')).toBeVisible();
  await page.locator('body').press('Space');
  await expect(words.last()).toBeVisible();
  expect(await troublesOf(page)).toEqual([]);
});

test('look ahead covers the bar that sounds; a place is asked for from cold and shown after; a bar is begun from', async ({
  page,
}) => {
  await begin(page, /^No, I am only/);
  await turnTo(page, 'Look ahead');
  await page.locator('body').press('Space');
  await expect(page.locator('[data-covers]')).toHaveCount(1);
  const first = Number(await page.locator('[data-heard-bar]').getAttribute('data-heard-bar'));
  await page.locator('body').press('Space');
  await expect(page.locator('[data-covers]')).toHaveCount(0);
  await turnTo(page, 'Find the place');
  const place = page.getByRole('region', { name: 'Find the place' });
  await expect(place.locator('.engraved')).toHaveCount(0);
  await place.getByRole('button', { name: 'Show me' }).click();
  await expect(place.locator('.engraved g.note').first()).toBeVisible();
  await turnTo(page, 'Play it through');
  await ready(page);
  // A bar that is touched is where it begins, counted in as always.
  const bars = page.locator('.engraved g.measure');
  const third = await bars.nth(2).getAttribute('id');
  const name = await page
    .locator(`[id="${third ?? ''}"] g.note .notehead`)
    .first()
    .boundingBox();
  await page.mouse.click(name?.x ?? 0, (name?.y ?? 0) + 30);
  await expect(page.getByRole('button', { name: 'Silence' })).toBeVisible();
  await expect(page.locator('[data-heard-bar]')).toHaveAttribute('data-heard-bar', String(first + 2));
});

test('tempo steps go up after each row of right ones and fall after three misses; their curve is drawn', async ({
  page,
}) => {
  await begin(page, /^No, I am only/, '/home?student=demo-mirela');
  const status = counted(page);
  const tempo = async (): Promise<number> =>
    Number(
      (
        await inHand(page)
          .getByText(/^Tempo$/)
          .locator('..')
          .textContent()
      )?.match(/\d+/)?.[0],
    );
  const press = async (key: string, times: number): Promise<void> => {
    for (let i = 0; i < times; i += 1) await page.locator('body').press(key);
  };
  await expect(status).toContainText(/0 in a row, two more; tempo 1 of \d/);
  const first = await tempo();
  await press('ArrowRight', 4);
  await expect(status).toContainText('tempo 3 of');
  const third = await tempo();
  expect(third).toBeGreaterThan(first);
  await expect(page.getByRole('img', { name: /^Tempos/ })).toBeVisible();
  await press('ArrowLeft', 3);
  await expect(status).toContainText('tempo 1 of');
  expect(await tempo()).toBe(first);
  await press('ArrowRight', 4);
  expect(await tempo()).toBe(third);
});

test('who practises without the screen ticks it by hand; a figure is put right; undo takes it back', async ({
  page,
}) => {
  await begin(page, /^Yes, keep/);
  await page.getByRole('button', { name: /Write it down/ }).click();
  const byHand = page.getByRole('region', { name: 'Written down by hand' });
  const minutes = byHand.getByLabel(/^Minutes of/).first();
  await minutes.fill('7');
  await byHand
    .getByRole('button', { name: /^Done:/ })
    .first()
    .click();
  const logged = byHand.getByLabel(/^minutes of/);
  await expect(logged).toHaveValue('7');
  await expect(page.getByText(/^7 of \d+ min$/)).toBeVisible();
  await logged.fill('9');
  await logged.press('Enter');
  await expect(page.getByText(/^9 of \d+ min$/)).toBeVisible();
  await logged.fill('none');
  await logged.press('Enter');
  await expect(byHand.getByText(/a whole number from 1 to 600/)).toBeVisible();
  await page.locator('h2').first().click();
  await page.locator('body').press('Control+z');
  await expect(page.getByText(/^7 of \d+ min$/)).toBeVisible();
  expect(await troublesOf(page)).toEqual([]);
});

test('the room asks who is practising', async ({ page }) => {
  await page.goto('/home');
  await page.getByRole('button', { name: 'Imke' }).click();
  await expect(page).toHaveURL(/student=demo-imke/);
  await expect(page.getByRole('list', { name: 'Today' })).toBeVisible();
});
