/** The frame and what surrounds the work: on a telephone, and what is not kept is said. */
import { expect, test } from '@playwright/test';
import { goTo, openOwnStudio, pick, storedRows } from './studio';
import { DEMO_BUILT } from './demo-built';

test.use({ storageState: DEMO_BUILT });

test.describe('on a telephone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });
  test('the stages are behind one button, who and what behind another, and the lesson shows music', async ({
    page,
  }) => {
    await page.goto('/shelf');
    await page.getByRole('button', { name: 'Shelf' }).tap();
    await page.getByRole('menuitem', { name: /^Lesson/ }).tap();
    await page.waitForURL(/\/lesson/);
    await page.getByRole('button', { name: /^With everyone on/ }).tap();
    await page.getByRole('button', { name: /^Student/ }).tap();
    await page.getByRole('option', { name: 'Imke' }).tap();
    await expect(page.getByRole('button', { name: /^With Imke on Lamps/ })).toBeVisible();
    await page.keyboard.press('Escape');
    const note = page.locator('.engraved g.note').first();
    await note.waitFor();
    const record = page.getByRole('group', { name: 'Level heard' }).getByRole('button').last();
    await expect(record).toBeInViewport();
    const [music, bar] = [
      await note.boundingBox(),
      await page.getByRole('group', { name: 'What is heard' }).boundingBox(),
    ];
    expect((music?.y ?? Infinity) + (music?.height ?? 0)).toBeLessThan(bar?.y ?? 0);
  });
});

test('a board with students and no piece says so, and leads on', async ({ page }) => {
  await openOwnStudio(page);
  await goTo(page, 'Board');
  await page.getByLabel('First name or initials').fill('Runa');
  await page.getByRole('button', { name: 'Add a student' }).click();
  await expect(page.getByText('No piece is on the shelf yet')).toBeVisible();
  await expect(page.getByText('This piece has no sections')).toHaveCount(0);
  await page.getByRole('button', { name: 'Runa', exact: true }).click();
  await expect(page.getByLabel('Hand span, semitones')).toBeVisible();
});

test('what a field does not take is said, and what was there stays', async ({ page }) => {
  await page.goto('/board?student=demo-imke');
  const span = page.getByLabel('Hand span, semitones');
  await span.fill('an octave');
  await span.press('Enter');
  await expect(page.getByText('“an octave” is not kept: it takes a number from 3 to 24.')).toBeVisible();
  await expect(span).toHaveValue('12');
  const imke = (await storedRows(page, 'students', 'demo')).find((s) => s['id'] === 'demo-imke');
  expect(imke?.['handSpanInSemitones']).toBe(12);
  await span.fill('13');
  await span.press('Enter');
  await expect(page.getByText('is not kept')).toHaveCount(0);
  await expect
    .poll(async () => (await storedRows(page, 'students', 'demo')).find((s) => s['id'] === 'demo-imke'))
    .toMatchObject({ handSpanInSemitones: 13 });
  // In the rows of a week, too.
  await page.goto('/lesson?student=demo-imke&view=week');
  const minutes = page.getByLabel(/^Minutes a day of Scale/);
  const before = await minutes.inputValue();
  await minutes.fill('plenty');
  await minutes.press('Enter');
  await expect(page.getByText('“plenty” is not kept: it takes a number from 1 to 120.')).toBeVisible();
  await expect(minutes).toHaveValue(before);
});

test('nothing moves for those who asked for less motion', async ({ page }) => {
  const longest = (): Promise<number> =>
    page.evaluate(() =>
      Math.max(
        ...[...document.querySelectorAll('*')].flatMap((e) => {
          const { transitionDuration, animationDuration } = getComputedStyle(e);
          return [transitionDuration, animationDuration].map((d) => parseFloat(d) || 0);
        }),
      ),
    );
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await page.goto('/shelf');
  await page.getByRole('button', { name: 'Add an exercise' }).click();
  await expect(page.getByRole('button', { name: 'Add the exercise' })).toBeVisible();
  await page.getByRole('button', { name: 'Cancel' }).click();
  await page
    .locator('[data-sonner-toaster], section[aria-label^="Notifications"]')
    .first()
    .waitFor({ state: 'attached' });
  expect(await longest()).toBe(0);
});

test('a teacher who says measure and crotchet reads nothing else, on any stage', async ({ page }) => {
  test.slow();
  await page.goto('/settings');
  await pick(page, 'Between two bar lines stands a', 'measure');
  const settings = async (): Promise<unknown> => (await storedRows(page, 'settings', 'demo'))[0];
  // Every label is said anew; a list that is opened meanwhile closes again.
  await expect.poll(settings).toMatchObject({ barWord: 'measure' });
  await pick(page, 'Note values are called', 'crotchet, quaver, minim');
  await expect.poll(settings).toMatchObject({ barWord: 'measure', noteNames: 'british' });
  const piece = 'piece=demo-quay&section=demo-quay-s1&student=demo-imke';
  for (const [path, text] of [
    [`/read?piece=demo-quay&bars=3`, 'On the page'],
    [`/prepare?${piece}`, 'For whom'],
    [`/sections?${piece}`, 'First lamps'],
    [`/marks?${piece}`, 'Where it starts'],
    [`/ladder?${piece}`, 'Slowly with the metronome'],
    [`/lesson?${piece}`, 'Next section'],
    ['/lesson?student=demo-imke&view=week', 'Give this week'],
    ['/board?student=demo-imke', 'In work'],
  ] as const) {
    await page.goto(path);
    await expect(page.locator('main').getByText(text).first()).toBeVisible();
    const others = (): Promise<readonly string[]> =>
      page.evaluate(() => {
        const own = '[translate="no"], .engraved svg, textarea, input';
        const read = [...document.querySelectorAll('body *')].filter((e) => e.closest(own) === null);
        const said = read.flatMap((e) => [
          e.getAttribute('aria-label') ?? '',
          e.getAttribute('title') ?? '',
          ...[...e.childNodes].flatMap((n) => (n.nodeType === Node.TEXT_NODE ? [n.textContent ?? ''] : [])),
        ]);
        return said.filter((text) => /(?<!space )\bbars?\b(?! lines?)|\b(quarter|eighth)s?\b/i.test(text));
      });
    await expect.poll(others, { message: path }).toEqual([]);
  }
  await page.goto('/read?piece=demo-quay&bars=3');
  await expect(page.getByText(/\bmeasures? \d/i).first()).toBeVisible();
  await expect(page.getByText(/\bcrotchet/).first()).toBeVisible();
});
