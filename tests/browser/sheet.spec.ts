/** What goes home on paper: every student's sheet, printed and looked at. */
import { expect, test, type Page } from '@playwright/test';
import { troublesOf } from './axe';
import { DEMO_OF_FRIDAY, onFriday } from './friday';
import { lookAt, textOf } from './printed';
import { pick, storedRows } from './studio';

test.use({ storageState: DEMO_OF_FRIDAY });
test.beforeEach(({ page }) => onFriday(page));

/** Millimetres of the margin, less what the eye does not see. */
const MARGIN = 12;

interface Week {
  readonly studentId: string;
  readonly items: readonly { readonly id: string }[];
}
/** The week in hand of each student, as it is stored. */
async function weeks(page: Page): Promise<ReadonlyMap<string, Week>> {
  const given = (await storedRows(page, 'events', 'demo')).filter((e) => e['kind'] === 'assignment');
  given.sort((a, b) => (String(a['at']) < String(b['at']) ? -1 : 1));
  return new Map(given.map((e) => [String(e['studentId']), e as unknown as Week]));
}

/** Titles of the tasks on each sheet, as they stand on the screen. */
const titles = (page: Page): Promise<string[][]> =>
  page
    .locator('.sheet')
    .evaluateAll((sheets) => sheets.map((s) => [...s.querySelectorAll('h2')].map((h) => h.textContent ?? '')));

for (const paper of ['A4', 'Letter'] as const)
  test(`ten sheets on ${paper}: each on one page, every task once, nothing cut off`, async ({ page }, info) => {
    await page.goto('/sheet');
    await page.getByRole('button', { name: /^Paper: / }).waitFor();
    if (paper === 'Letter') await pick(page, 'Paper', 'Letter');
    await page.getByRole('button', { name: 'Draw 10 sheets' }).click();
    await page.getByRole('button', { name: 'Print 10 sheets' }).waitFor();
    await expect(page.locator('.sheet-page')).toHaveCount(10);
    const pdf = info.outputPath('sheets.pdf');
    await page.emulateMedia({ media: 'print' });
    await page.pdf({ path: pdf, preferCSSPageSize: true, printBackground: true });
    const pages = textOf(pdf);
    expect(pages).toHaveLength(10);
    // Every task of every week is there once, in the order of the sheet.
    const sheets = await page
      .locator('.sheet')
      .evaluateAll((all) =>
        all.map((s) => [...s.querySelectorAll('[data-task]')].map((t) => t.getAttribute('data-task'))),
      );
    const given = [...(await weeks(page)).values()].map((w) => w.items.map((i) => i.id).sort());
    expect(sheets.map((ids) => [...ids].sort()).sort()).toEqual(given.sort());
    (await titles(page)).forEach((of, i) => {
      let from = 0;
      for (const title of of) {
        const words = title.replace(/\s+/g, ' ').trim();
        const at = (pages[i] ?? '').indexOf(words, from);
        expect(at, `${words} in ${pages[i] ?? ''}`).toBeGreaterThanOrEqual(from);
        from = at + words.length;
      }
      expect(pages[i]).toContain('Hurts? Stop and rest, and tell someone.');
    });
    const size = paper === 'A4' ? [210, 297] : [215.9, 279.4];
    for (let n = 1; n <= 10; n += 1) {
      const { width, height, ink } = lookAt(pdf, n);
      expect(Math.abs(width - (size[0] ?? 0)) + Math.abs(height - (size[1] ?? 0))).toBeLessThan(1.5);
      expect(Math.min(ink.left, ink.top, ink.right, ink.bottom), `page ${n}`).toBeGreaterThan(MARGIN);
    }
    // A staff of the usual size is 8 mm high: 96 pixels to an inch.
    const staff = await page
      .locator('.sheet g.staff')
      .first()
      .evaluate((s) => {
        const lines = [...s.querySelectorAll(':scope > path')].map((p) => p.getBoundingClientRect().top);
        return ((Math.max(...lines) - Math.min(...lines)) / 96) * 25.4;
      });
    expect(staff).toBeGreaterThan(7.8);
    expect(staff).toBeLessThan(8.2);
  });

test('a sheet is looked at as it is printed, larger for a small child, with boxes for the fingers', async ({
  page,
}) => {
  await page.goto('/sheet?student=demo-wren');
  const sheet = page.getByRole('group', { name: 'Sheet of Wren' });
  await sheet.locator('.engraved g.note').first().waitFor();
  await expect(page).toHaveTitle(/^Wren, week of \d+ \w+$/);
  expect(await troublesOf(page)).toEqual([]);
  const staffOf = (): Promise<number> =>
    sheet
      .locator('g.staff')
      .first()
      .evaluate((s) => {
        const lines = [...s.querySelectorAll(':scope > path')].map((p) => p.getBoundingClientRect().top);
        return ((Math.max(...lines) - Math.min(...lines)) / 96) * 25.4;
      });
  await pick(page, 'Size of the print', 'large, for small children');
  await expect.poll(staffOf).toBeGreaterThan(10.7);
  await pick(page, 'Music', 'all of it');
  const notes = sheet.locator('g.note');
  const boxes = sheet.getByText('▢', { exact: true });
  await expect(boxes).toHaveCount(0);
  await page.keyboard.press('b');
  await expect.poll(async () => (await boxes.count()) === (await notes.count())).toBe(true);
  // The paper is the studio's: it is kept in the settings.
  await pick(page, 'Paper', 'Letter');
  await expect.poll(async () => (await storedRows(page, 'settings', 'demo'))[0]?.['paper']).toBe('letter');
});

test('who has no week yet is told where it comes from, and drawing can be stopped', async ({ page }) => {
  await page.goto('/sheet');
  await page.getByRole('button', { name: 'Draw 10 sheets' }).click();
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(page.getByRole('button', { name: 'Stop' })).toBeHidden();
  expect(await page.locator('.sheet').count()).toBeLessThan(10);
  expect(await troublesOf(page)).toEqual([]);
  await page.goto('/board');
  await page.getByLabel('First name or initials').fill('Nils');
  await page.getByLabel('First name or initials').press('Enter');
  await expect(page.getByText('Nils').first()).toBeVisible();
  const nils = (await storedRows(page, 'students', 'demo')).find((s) => s['name'] === 'Nils');
  await page.goto(`/sheet?student=${String(nils?.['id'])}`);
  await expect(page.getByRole('heading', { name: 'No week is given yet' })).toBeVisible();
  await page.getByRole('button', { name: 'Go to the week' }).click();
  await page.waitForURL(/\/lesson/);
});

test('a piece is printed in its several ways: all of it, what changed since, a worksheet with answers, words and chords', async ({
  page,
}) => {
  // Nobody stands at a printer here.
  await page.addInitScript(() => {
    window.print = () => undefined;
  });
  await page.goto('/sheet?piece=demo-quay&student=demo-imke&view=piece');
  const sheet = page.getByRole('group', { name: 'Lamps Along the Quay on paper' });
  await sheet.locator('.engraved g.note').first().waitFor();
  const lines = sheet.locator('.engraved');
  const all = await lines.count();
  expect(all).toBeGreaterThan(2);
  expect(await troublesOf(page)).toEqual([]);
  await page.keyboard.press('p');
  await expect(page.getByText(/^1 page\. Printed last: /)).toBeVisible();
  await pick(page, 'What is printed', 'only what changed');
  await expect(sheet.getByText('Nothing has changed since it was printed.')).toBeVisible();
  // A finger is set: its line is what has changed.
  await page.goto('/marks?piece=demo-quay&student=demo-imke&section=demo-quay-s2');
  await page.locator('.engraved g.note').first().waitFor();
  const before = (await storedRows(page, 'marks', 'demo')).length;
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('4');
  await expect.poll(async () => (await storedRows(page, 'marks', 'demo')).length).toBeGreaterThan(before);
  await page.goto('/sheet?piece=demo-quay&student=demo-imke&view=changed');
  await expect(lines).toHaveCount(1);
  await expect(sheet.getByText('4', { exact: true }).first()).toBeVisible();
  // The worksheet: what is asked on the first page, the answers on the last.
  await page.goto('/sheet?piece=demo-quay&student=demo-imke&section=demo-quay-s1&view=worksheet');
  await expect(page.locator('.sheet-page')).toHaveCount(2);
  const [ask, answer] = [page.locator('.sheet-page').first(), page.locator('.sheet-page').last()];
  await expect(ask.getByText('Circle every fourth: both of its notes.')).toBeVisible();
  await expect(answer.getByRole('heading', { level: 1 })).toContainText('answers');
  await expect(ask.getByText('F♯', { exact: true })).toHaveCount(0);
  await expect(answer.getByText('F♯', { exact: true }).first()).toBeVisible();
  expect(await troublesOf(page)).toEqual([]);
  await page.goto('/sheet?piece=demo-boat&student=demo-jonah&view=chords');
  const words = page.getByRole('group', { name: 'The Early Boat on paper' });
  await expect(words).toContainText('Out we go at');
  expect(await troublesOf(page)).toEqual([]);
});
