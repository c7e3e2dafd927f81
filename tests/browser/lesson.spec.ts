/**
 * Lessons with the demo students: by keyboard, by touch, taken back, corrected; what was heard is stored as it was
 * said.
 */
import { expect, test, type Page } from '@playwright/test';
import { troublesOf } from './axe';
import { goTo, pick, storedRows } from './studio';
import { TASKS } from './tasks';
import { DEMO_BUILT } from './demo-built';

test.use({ storageState: DEMO_BUILT });

/** Records of the lesson that was just given: those with the id of the latest lesson. */
async function lessonRecords(page: Page): Promise<Record<string, unknown>[]> {
  const events = await storedRows(page, 'events', 'demo');
  const lessons = events
    .filter((e) => e['kind'] === 'lesson')
    .sort((a, b) => (String(a['at']) < String(b['at']) ? 1 : -1));
  const [last] = lessons;
  return events.filter((e) => e['lessonId'] === last?.['id']);
}
const heard = async (page: Page) => (await lessonRecords(page)).filter((e) => e['kind'] === 'level');

test('a full lesson by keyboard only: five sections and chunks, a tempo, a note, next week', async ({ page }) => {
  await page.goto('/lesson?student=demo-imke');
  await expect(page.getByRole('region', { name: 'To hear' }).getByRole('button').first()).toHaveAttribute(
    'aria-pressed',
    'true',
    { timeout: 20_000 },
  );
  await page.locator('.engraved g.note').first().waitFor();
  let presses = 0;
  const press = async (...keys: readonly string[]): Promise<void> => {
    for (const key of keys) {
      presses += 1;
      await page.keyboard.press(key);
    }
  };
  const before = (await storedRows(page, 'events', 'demo')).length;
  for (const [i, keys] of [['3'], ['n', 'e', '2'], ['1'], ['0'], ['1']].entries()) {
    await press(...keys, 'Enter');
    await expect.poll(async () => (await heard(page)).length).toBe(i + 1);
  }
  await press('g');
  await expect(page.getByRole('heading', { name: 'Next week for Imke: a proposal' })).toBeVisible();
  await expect(page.getByRole('group', { name: /^Days of/ }).first()).toBeVisible();
  await press('Enter');
  await expect(page.getByRole('heading', { name: 'Next week for Imke', exact: true })).toBeVisible();
  expect(presses).toBeLessThanOrEqual(TASKS['a lesson of five sections, by keys']);

  const records = await heard(page);
  expect(new Set(records.map((e) => e['sectionId'])).size).toBe(5);
  expect(records.map((e) => e['level']).sort()).toEqual([0, 1, 1, 2, 3]);
  const second = records.find((e) => e['level'] === 2);
  expect(second).toMatchObject({ errors: [1] });
  // The proposal is kept beside the teacher's word.
  expect(typeof second?.['proposed']).toBe('number');
  const [given] = (await lessonRecords(page)).filter((e) => e['kind'] === 'assignment');
  const items = given?.['items'] as { minutes: number; days: number[] }[];
  const student = (await storedRows(page, 'students', 'demo')).find((s) => s['id'] === 'demo-imke');
  const perDay = student?.['minutesPerDay'] as number[];
  perDay.forEach((minutes, day) =>
    expect(items.filter((i) => i.days.includes(day)).reduce((sum, i) => sum + i.minutes, 0)).toBeLessThanOrEqual(
      minutes,
    ),
  );

  // One change of the teacher's is one more record; the recap says it.
  await page
    .getByLabel(/^Cue for/)
    .first()
    .fill('sing the bass');
  await page.keyboard.press('Enter');
  await page.getByLabel(/^What I said/).focus();
  await expect(page.getByText(/sing the bass/).last()).toBeVisible();
  await page.getByLabel('for a missed lesson').check();
  await expect(page.getByText(/this is for the lesson missed on/)).toBeVisible();
  expect(await troublesOf(page)).toEqual([]);

  // A rung ticked in the lesson belongs to it.
  await page.getByRole('tab', { name: /^Hear/ }).click();
  await page.getByRole('list', { name: 'Rungs' }).getByRole('button').first().click();
  await expect.poll(async () => (await lessonRecords(page)).filter((e) => e['kind'] === 'rung').length).toBe(1);

  // The whole lesson is taken back in one change, and comes back by undo.
  await page.getByRole('button', { name: 'Take the whole lesson back' }).click();
  await expect(page.getByRole('button', { name: /^Start the clock/ })).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('timer')).toBeVisible();
  expect((await storedRows(page, 'events', 'demo')).length).toBeGreaterThan(before + 7);
});

test('a past lesson is read and corrected by a new record', async ({ page }) => {
  await page.goto('/lesson?student=demo-teodor');
  await page.getByRole('tab', { name: /Past lessons/ }).click();
  const level = page.getByRole('button', { name: /^level: / }).first();
  const before = Number(/\d/.exec((await level.getAttribute('aria-label')) ?? '')?.[0]);
  const to = before === 0 ? 1 : before - 1;
  const events = await storedRows(page, 'events', 'demo');
  await level.click();
  await page.getByRole('option', { name: new RegExp(`^${to}`) }).click();
  await expect(page.getByRole('button', { name: new RegExp(`^level, corrected: ${to}`) }).first()).toBeVisible();
  const after = await storedRows(page, 'events', 'demo');
  expect(after).toHaveLength(events.length + 1);
  expect(after.filter((e) => e['corrects'] !== undefined)).toMatchObject([{ level: to, kind: 'level' }]);
  expect(after).toEqual(expect.arrayContaining(events));
  await page.getByLabel('Said').first().fill('we begin at the stairs next time');
  await page.getByLabel('Said').nth(1).focus();
  await expect
    .poll(
      async () =>
        (await storedRows(page, 'events', 'demo')).filter(
          (e) => e['kind'] === 'said' && e['text'] === 'we begin at the stairs next time',
        ).length,
    )
    .toBe(1);
});

test.describe('on an upright tablet', () => {
  test.use({ viewport: { width: 820, height: 1180 }, hasTouch: true });
  test('the same by touch, on targets of at least 44 pixels', async ({ page }) => {
    await page.goto('/lesson?student=demo-sunniva');
    await page.locator('.engraved g.note').first().waitFor();
    const small = await page
      .locator('main button, main input:not([type=checkbox])')
      .evaluateAll((list) =>
        list
          .filter(
            (el) =>
              el.getBoundingClientRect().height > 0 &&
              el.tagName === 'BUTTON' &&
              el.getBoundingClientRect().height < 44,
          )
          .map((el) => el.textContent),
      );
    expect(small).toEqual([]);
    // Nothing is wider than the screen.
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(820);
    const record = page.getByRole('button', { name: /^Record/ });
    for (const level of ['3 Joined', '2 Steady', '1 Found']) {
      const count = (await heard(page)).filter((e) => String(e['studentId']) === 'demo-sunniva').length;
      await page.getByRole('button', { name: 'joined', exact: false }).first().tap();
      await page.getByRole('group', { name: 'Level heard' }).getByRole('button', { name: level }).tap();
      await record.tap();
      if (level === '3 Joined') await expect.poll(async () => (await heard(page)).map((e) => e['level'])).toEqual([3]);
      else await expect.poll(async () => (await heard(page)).length).toBe(count + 1);
    }
    expect((await heard(page)).map((e) => e['level']).sort()).toEqual([1, 2, 3]);
    await page.getByRole('tab', { name: /Next week/ }).tap();
    await page.getByRole('button', { name: /^Give this week/ }).tap();
    await expect(page.getByRole('heading', { name: 'Next week for Sunniva', exact: true })).toBeVisible();
    await page.getByRole('button', { name: 'Saturday' }).first().tap();
    await expect(page.getByRole('button', { name: 'Saturday' }).first()).toHaveAttribute('aria-pressed', 'true');
  });
});

test('the ladder is built anew around what the teacher changed; a target moves it', async ({ page }) => {
  await page.goto('/ladder?piece=demo-quay&section=demo-quay-s2');
  await page.getByRole('button', { name: /^Rung .*Slowly with the metronome/ }).click();
  await page.getByLabel('Times').fill('7');
  await page.getByLabel('Done when').fill('like a song');
  await page.getByLabel('Hands', { exact: true }).focus();
  await page.getByRole('button', { name: /^Rung .*Eyes on the page/ }).click();
  await page.getByRole('button', { name: /^Remove the rung/ }).click();
  await expect(page.getByRole('button', { name: /^Rung .*Eyes on the page/ })).toHaveCount(0);
  const target = page.getByLabel('Target');
  await target.fill('100');
  await target.press('Enter');
  await expect
    .poll(async () => (await storedRows(page, 'pieces', 'demo')).find((p) => p['id'] === 'demo-quay')?.['targetTempo'])
    .toBe(100);
  await page.getByRole('button', { name: 'Build anew' }).click();
  const rung = async (what: RegExp) => {
    const ladder = (await storedRows(page, 'ladders', 'demo')).find((l) => l['sectionId'] === 'demo-quay-s2');
    return (ladder?.['rungs'] as Record<string, unknown>[]).find((r) => what.test(String(r['what'])));
  };
  await expect.poll(async () => (await rung(/from cold/))?.['tempo']).toBe(100);
  expect(await rung(/Slowly with the metronome/)).toMatchObject({ times: 7, done: 'like a song', tempo: 60 });
  expect(await rung(/Eyes on the page/)).toBeUndefined();
  // A rung of the teacher's own goes to the other sections, too; undone in one step.
  await page.getByRole('button', { name: /^Add a rung/ }).click();
  await page.getByLabel('What to do').fill('Hum the bass');
  await page.getByLabel('Done when').focus();
  await expect(page.getByRole('button', { name: /^Rung .*Hum the bass/ })).toBeVisible();
  const humming = async () =>
    (await storedRows(page, 'ladders', 'demo')).filter(
      (l) => l['pieceId'] === 'demo-quay' && JSON.stringify(l['rungs']).includes('Hum the bass'),
    ).length;
  await page.getByRole('button', { name: 'My own rungs in all other sections too' }).click();
  await expect.poll(humming).toBe(3);
  await page.keyboard.press('Control+z');
  await expect.poll(humming).toBe(1);
  // Kept as a template, and used on another section.
  await page.getByLabel('Keep this ladder as a template').fill('Two hands');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await goTo(page, 'Ladder');
  await page.getByRole('button', { name: /^A whole/ }).click();
  const before = await page.getByRole('button', { name: /^Rung \d+ of/ }).count();
  await pick(page, 'Put a template’s rungs on top', /^Two hands/);
  await expect.poll(() => page.getByRole('button', { name: /^Rung \d+ of/ }).count()).toBeGreaterThan(before);
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('button', { name: /^Rung \d+ of/ })).toHaveCount(before);
  // Starting points are drawn one after the other, each once.
  await page.keyboard.press('d');
  await expect(page.getByText('(1 of 3)')).toBeVisible();
  await page.keyboard.press('d');
  await expect(page.getByText('(2 of 3)')).toBeVisible();
});
