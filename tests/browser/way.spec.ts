/** The way through a piece: prepared in one go, arranged by dragging, heard chunk by chunk, by touch on a tablet. */
import { expect, test, type Page } from '@playwright/test';
import { bringMusic, goTo, openOwnStudio, storedRows } from './studio';
import { TASKS } from './tasks';
import { DEMO_BUILT } from './demo-built';

test.use({ storageState: DEMO_BUILT });

/** Thirty-two bars in seven sections: A B A C A B A, set off by double bars. */
const A = 'C D E F | G2 E2 | F E D C | C4';
const B = 'c B A G | A2 F2 | G F E D | G4';
const C = 'E/F/G/A/ B2 | A/G/F/E/ D2 | e/d/c/B/ A2 | G/F/E/D/ E2 | F A c A | G B d B | A2 B2 | c4';
const SEVEN = `X:1\nT:Seven doors\nM:4/4\nL:1/4\nQ:1/4=96\nV:1 clef=treble name="Piano"\nK:C\n${[A, B, A, C, A, B, A]
  .map((s) => `${s} ||`)
  .join('\n')
  .replace(/\|\|$/, '|]')}\n`;

/** What a teacher does, counted. */
function counted(page: Page) {
  let count = 0;
  return {
    count: () => count,
    click: async (name: RegExp | string, role: 'button' | 'checkbox' = 'button') => {
      count += 1;
      await page.getByRole(role, { name }).click();
    },
    press: async (key: string) => {
      count += 1;
      await page.keyboard.press(key);
    },
    drop: async (text: string) => {
      count += 1;
      await page
        .getByLabel('Choose a music file')
        .setInputFiles({ name: 'seven.abc', mimeType: 'text/plain', buffer: Buffer.from(text) });
      const asked = page.getByRole('button', { name: 'Put it on the shelf' });
      const there = page.waitForURL(/\/prepare/);
      await Promise.race([there, asked.waitFor()]);
      if (await asked.isVisible()) {
        count += 1;
        await asked.click();
      }
      await there;
    },
  };
}

async function withStudent(page: Page, name: string): Promise<void> {
  await openOwnStudio(page);
  await goTo(page, 'Board');
  await page.getByLabel('First name or initials').fill(name);
  await page.getByRole('button', { name: 'Add a student' }).click();
  await expect.poll(async () => (await storedRows(page, 'students')).length).toBe(1);
  await goTo(page, 'Shelf');
}

const givenWeeks = async (page: Page) =>
  (await storedRows(page, 'events')).filter((e) => e['kind'] === 'assignment').length;

test('from a dropped file to a first week: few steps by mouse, fewer by keys, and one undo takes it all back', async ({
  page,
}) => {
  await withStudent(page, 'Wren');
  const mouse = counted(page);
  await mouse.drop(SEVEN);
  await expect(page.getByRole('button', { name: /^Take it all/ })).toBeEnabled();
  await mouse.click(/^Take it all/);
  await expect(page.getByText('All of it is taken')).toBeVisible();
  const sections = (await storedRows(page, 'sections')).filter((s) => s['kind'] === undefined);
  expect(sections.map((s) => String(s['letter'])).sort()).toEqual(['A', 'A', 'A', 'A', 'B', 'B', 'C']);
  expect(await storedRows(page, 'ways')).toHaveLength(1);
  await page.keyboard.press('Control+z');
  await expect.poll(async () => (await storedRows(page, 'sections')).length).toBe(0);
  expect(await storedRows(page, 'ways')).toHaveLength(0);
  expect(await storedRows(page, 'marks')).toHaveLength(0);
  await page.keyboard.press('Control+Shift+z');
  await expect.poll(async () => (await storedRows(page, 'ways')).length).toBe(1);
  await mouse.click(/Wren/, 'checkbox');
  await mouse.click(/^Give it to Wren/);
  await page.waitForURL(/\/lesson.*view=week/);
  await mouse.click(/^Give this week/);
  await expect.poll(() => givenWeeks(page)).toBe(1);
  expect(mouse.count()).toBeLessThanOrEqual(TASKS['bring in and prepare, by pointer']);

  await goTo(page, 'Shelf');
  const keys = counted(page);
  await keys.drop(SEVEN.replace('Seven doors', 'Seven gates'));
  await expect(page.getByRole('button', { name: /^Take it all/ })).toBeEnabled();
  await keys.press('Enter');
  await expect(page.getByText('All of it is taken')).toBeVisible();
  await keys.press('g');
  await page.waitForURL(/\/lesson.*view=week/);
  await keys.press('Enter');
  expect(keys.count()).toBeLessThanOrEqual(TASKS['bring in and prepare, by keys']);
});

const steps = async (page: Page, studentId: string | null = null): Promise<string[]> => {
  const way = (await storedRows(page, 'ways', 'demo')).find(
    (w) => w['pieceId'] === 'demo-quay' && w['studentId'] === studentId,
  );
  return ((way?.['steps'] ?? []) as { sectionId: string }[]).map((s) => s.sectionId);
};

test('a chunk is dragged, moved by keys, and left out for one student only; undo takes each back', async ({ page }) => {
  await page.goto('/ladder?piece=demo-quay');
  const stone = (name: string) => page.getByRole('button', { name: new RegExp(`^${name},`) }).first();
  await stone('1–2').waitFor();
  const before = await steps(page);
  await stone('1–2').click();
  await expect(page).toHaveURL(/section=chunk/);
  await expect(page.locator('.engraved g.note').first()).toBeVisible();
  // By keys: one place later.
  await stone('1–2').press('Alt+ArrowUp');
  await expect.poll(async () => (await steps(page))[1]).toBe(before[0]);
  await page.keyboard.press('Control+z');
  await expect.poll(() => steps(page)).toEqual(before);
  // By the mouse: the third stone from the bottom onto the second.
  const handles = page.locator('[data-drag]');
  // The screen has followed the store.
  await expect(handles.last()).toHaveAttribute('data-drag', before[0] ?? '');
  const [from, to] = [await handles.nth(-1).boundingBox(), await handles.nth(-3).boundingBox()];
  if (!from || !to) throw new Error('the handles are not on the screen');
  await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2);
  await page.mouse.down();
  await page.mouse.move(to.x + to.width / 2, to.y + to.height / 2, { steps: 12 });
  await page.mouse.up();
  await expect.poll(async () => (await steps(page)).indexOf(before[0] ?? '')).toBeGreaterThan(0);
  expect([...(await steps(page))].sort()).toEqual([...before].sort());
  await page.keyboard.press('Control+z');
  await expect.poll(() => steps(page)).toEqual(before);
  // For one student.
  await page.goto('/ladder?piece=demo-quay&student=demo-imke');
  await page.getByRole('button', { name: /^1–2,/ }).first().click();
  await page.getByRole('button', { name: /^Leave out/ }).click();
  await expect(page.getByText('Imke’s own way.')).toBeVisible();
  await expect(page.getByText('Not in Imke’s way.')).toBeVisible();
  await page.goto('/ladder?piece=demo-quay&student=demo-teodor');
  await expect(page.getByRole('button', { name: /^1–2,/ }).first()).toBeVisible();
  await expect(page.getByText(/own way\./)).toHaveCount(0);
});

test('three chunks are heard by keys; the board, the way and the week move', async ({ page }) => {
  await withStudent(page, 'Wren');
  await bringMusic(page, 'seven.abc', SEVEN);
  const pieceId = String((await storedRows(page, 'pieces'))[0]?.['id']);
  const studentId = String((await storedRows(page, 'students'))[0]?.['id']);
  await page.goto(`/prepare?piece=${pieceId}&student=${studentId}`);
  await expect(page.getByRole('button', { name: /^Take it all/ })).toBeEnabled();
  await page.keyboard.press('Enter');
  await expect(page.getByText('All of it is taken')).toBeVisible();
  await page.goto(`/lesson?piece=${pieceId}&student=${studentId}`);
  const list = page.getByRole('region', { name: 'To hear' });
  await expect(list.getByRole('button').first()).toContainText('bars 1–2');
  await expect(list.getByRole('button').first()).toContainText('next');
  await list.getByRole('button').first().click();
  await page.getByRole('group', { name: 'Level heard' }).waitFor();
  await expect(
    page.getByRole('group', { name: 'Level heard' }).getByRole('button', { name: /4 At tempo/ }),
  ).toBeDisabled();
  await page.locator('.engraved g.note').first().waitFor();
  await page.locator('main').click({ position: { x: 5, y: 5 } });
  for (let i = 0; i < 3; i += 1) {
    const heard = (await storedRows(page, 'events')).filter((e) => e['kind'] === 'level').length;
    await page.keyboard.press('3');
    await page.keyboard.press('Enter');
    await expect
      .poll(async () => (await storedRows(page, 'events')).filter((e) => e['kind'] === 'level').length)
      .toBe(heard + 1);
  }
  await expect(page.getByText('Next on the way is A, bars 1–4')).toBeVisible();
  const heard = (await storedRows(page, 'events')).filter((e) => e['kind'] === 'level');
  expect(new Set(heard.map((e) => e['sectionId'])).size).toBe(3);
  // The week goes on behind what was heard.
  await page.keyboard.press('g');
  await expect(page.getByText(/A 1–4: /).first()).toBeVisible();
  await expect(page.getByText(/, bars 1–2: /)).toHaveCount(0);
  // An exercise comes first; it is there, with its music and ladder, once the week is given.
  const first = page.getByRole('listitem').filter({ hasText: 'say its notes' });
  await expect(first.first()).toContainText('C major');
  expect((await storedRows(page, 'pieces')).some((p) => p['exercise'] !== undefined)).toBe(false);
  await page.locator('main').click({ position: { x: 5, y: 5 } });
  await page.keyboard.press('Enter');
  await expect
    .poll(async () => (await storedRows(page, 'pieces')).filter((p) => p['exercise'] !== undefined).length)
    .toBe(1);
  const exercise = (await storedRows(page, 'pieces')).find((p) => p['exercise'] !== undefined);
  await page.goto(`/ladder?piece=${String(exercise?.['id'])}&student=${studentId}`);
  await expect(page.getByText(/^Say its notes, then play and say them: C D E F G/)).toBeVisible();
  await expect(page.locator('.engraved g.note').first()).toBeVisible();
  // On the board the section stands where its chunks do, and opens to them.
  await page.goto(`/board?piece=${pieceId}`);
  await expect(page.getByRole('button', { name: /^Wren, section A: level 3, the weakest/ }).first()).toBeVisible();
  await page.getByRole('button', { name: 'Chunks of A' }).first().click();
  await expect(page.getByRole('button', { name: /^Wren, chunk 1–2: level 3/ })).toBeVisible();
  // On the way the student stands at the whole section.
  await page.goto(`/ladder?piece=${pieceId}&student=${studentId}`);
  await expect(page.getByRole('button', { name: /^A whole, .*Wren here/ }).first()).toBeVisible();
});

test('a chunk has its ladder at once; a ladder and a target are changed for one student only', async ({ page }) => {
  const ladders = async (): Promise<Record<string, unknown>[]> =>
    (await storedRows(page, 'ladders', 'demo')).filter((l) => l['pieceId'] === 'demo-quay');
  await page.goto('/ladder?piece=demo-quay');
  await page.getByRole('button', { name: /^1–2,/ }).first().click();
  await page.getByRole('button', { name: 'Change this chunk' }).click();
  const before = (await ladders()).length;
  await page.getByRole('button', { name: 'Split before bar 2' }).click();
  await expect.poll(async () => (await ladders()).length).toBe(before + 1);
  await page.keyboard.press('Control+z');
  await expect.poll(async () => (await ladders()).length).toBe(before);
  // Imke's own.
  await page.goto('/ladder?piece=demo-quay&student=demo-imke&section=demo-quay-s1');
  await page.getByText('Dynamics as printed').first().click();
  await page.getByLabel('Times', { exact: true }).fill('7');
  await page.keyboard.press('Tab');
  await expect(page.getByText('Imke’s own ladder.')).toBeVisible();
  expect((await ladders()).filter((l) => l['studentId'] === 'demo-imke')).toHaveLength(1);
  await page.goto('/ladder?piece=demo-quay&student=demo-teodor&section=demo-quay-s1');
  await expect(page.getByText('Dynamics as printed').first()).toBeVisible();
  await expect(page.getByText(/own ladder\./)).toHaveCount(0);
  await page.getByLabel('Target', { exact: true }).fill('70');
  await page.keyboard.press('Tab');
  await expect(page.getByText('Teodor’s target')).toBeVisible();
  const teodor = (await storedRows(page, 'students', 'demo')).find((s) => s['id'] === 'demo-teodor');
  expect(teodor?.['tempos']).toEqual({ 'demo-quay': 70 });
  expect((await storedRows(page, 'pieces', 'demo')).find((p) => p['id'] === 'demo-quay')?.['targetTempo']).toBeNull();
  await page.getByRole('button', { name: 'As everyone’s again' }).click();
  await expect(page.getByText(/own ladder\./)).toHaveCount(0);
});

test.describe('on an upright tablet, by touch', () => {
  test.use({ viewport: { width: 820, height: 1180 }, hasTouch: true });
  test('a chunk is chosen in the row, put off, and brought back', async ({ page }) => {
    await page.goto('/ladder?piece=demo-quay&student=demo-imke');
    const row = page.getByRole('list', { name: 'The way, first steps first' });
    await row.getByRole('button', { name: /^3–4/ }).tap();
    await expect(page).toHaveURL(/section=chunk/);
    await expect(page.locator('.engraved g.note').first()).toBeVisible();
    await page.getByRole('button', { name: /^Put off/ }).tap();
    await expect(page.getByText(/^Put off\./)).toBeVisible();
    await page.getByRole('button', { name: 'Back on the way' }).tap();
    await expect(page.getByRole('button', { name: /^Put off/ })).toBeVisible();
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(820);
  });
});
