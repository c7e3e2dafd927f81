/**
 * A working week in the own studio: the beginning, a page without notes, people and pieces that come and go, the shelf,
 * the finder, the stand; and what the most frequent tasks cost.
 */
import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { bringMusic, goTo, leaveDemo, openOwnStudio, pick, storedRows } from './studio';
import { counting } from './tasks';
import { DEMO_BUILT } from './demo-built';

test.use({ storageState: DEMO_BUILT });

const MENUET = readFileSync('tests/pieces/petzold-menuet.musicxml', 'utf8');
const next = (page: Page) => page.getByRole('complementary', { name: 'What comes next' });

async function addStudent(page: Page, name: string, instrument = 'piano'): Promise<void> {
  await page.getByLabel('First name or initials').fill(name);
  await page.getByLabel('Instrument').fill(instrument);
  await page.getByRole('button', { name: 'Add a student' }).click();
  await expect.poll(async () => (await storedRows(page, 'students')).map((s) => s['name'])).toContain(name);
}

test('a first visit begins in three steps, and what comes next leads on to the first week', async ({ page }) => {
  await openOwnStudio(page);
  await expect(next(page)).toContainText('The shelf is empty.');
  const steps = counting(page);
  await pick(page, 'Pieces that come with it', /^Pebble Steps/);
  await expect.poll(async () => (await storedRows(page, 'pieces')).length).toBe(1);
  await steps.type('First name or initials', 'Wren');
  await steps.click(/^Add$/);
  await expect.poll(async () => (await storedRows(page, 'students')).length).toBe(1);
  await expect(next(page)).toContainText('Pebble Steps is not prepared yet.');
  await steps.press('F8');
  await page.waitForURL(/\/prepare/);
  await expect(page.getByRole('button', { name: /^Take it all/ })).toBeEnabled();
  await steps.press('Enter');
  await expect(page.getByText('All of it is taken')).toBeVisible();
  // The way leads on by itself: for whom, then the week.
  await expect(next(page)).toContainText('Nobody plays Pebble Steps yet.');
  await steps.click(/Wren/, 'checkbox');
  await steps.press('g');
  await page.waitForURL(/view=week/);
  steps.withinTheTask('a student added and given a piece');
  const week = counting(page);
  await expect(page.getByRole('group', { name: /^Days of/ }).first()).toBeVisible();
  await week.press('Enter');
  await expect
    .poll(async () => (await storedRows(page, 'events')).filter((e) => e['kind'] === 'assignment').length)
    .toBe(1);
  week.withinTheTask('a week given, by keys');
  await goTo(page, 'Shelf');
  await expect(page.getByRole('heading', { name: 'Three steps to begin' })).toBeHidden();
});

test('a page without notes: nothing is made up, the way is there, and a bar typed too short is said', async ({
  page,
}) => {
  await openOwnStudio(page);
  await page.getByRole('button', { name: 'Lay out a printed piece' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Title').fill('Page from the attic');
  await dialog.getByLabel('Bars').fill('16');
  await dialog.getByLabel('Meter').fill('3/4');
  await pick(page, 'Staves', 'one');
  await dialog.getByRole('button', { name: 'Lay it out' }).click();
  await page.waitForURL(/\/read/);
  await expect(page.getByText('bars 1 to 16: nothing is written')).toBeVisible();
  await expect(page.getByRole('option', { name: 'bar 3, nothing is written' })).toBeAttached();
  await next(page).getByRole('button').click();
  await page.waitForURL(/\/prepare/);
  await expect(page.getByText('not known: no notes are written')).toHaveCount(5);
  await page.getByRole('button', { name: /^Take it all/ }).click();
  await expect.poll(async () => (await storedRows(page, 'ways')).length).toBe(1);
  const places = await storedRows(page, 'sections');
  expect(places.some((s) => s['kind'] === 'chunk')).toBe(true);
  await goTo(page, 'Marks');
  await expect(page.getByRole('group', { name: 'Count' }).first()).toHaveText('Count');
  await goTo(page, 'Read');
  await page.getByRole('listbox', { name: 'Bars of the piece' }).focus();
  await page.keyboard.press('Home');
  await page.getByLabel(/^Notes of bar 1/).fill('D2 E2');
  await expect(page.getByRole('alert').filter({ hasText: 'only 2 of its 3 quarters are written' })).toBeVisible();
  await expect(page.getByRole('option', { name: /^bar 1, .*not written to its end/ })).toBeAttached();
});

test('a student is archived, brought back, removed, and back again with every record', async ({ page }) => {
  await page.goto('/board?student=demo-oskar');
  const levels = async () =>
    (await storedRows(page, 'events', 'demo')).filter((e) => e['studentId'] === 'demo-oskar').length;
  await expect(page.getByRole('heading', { name: 'Oskar’s climb' })).toBeVisible();
  const before = await levels();
  expect(before).toBeGreaterThan(0);
  await page.getByRole('button', { name: 'Archive Oskar' }).click();
  await page.waitForURL((url) => !url.search.includes('student'));
  await expect(page.getByRole('rowheader', { name: /^Oskar/ })).toHaveCount(0);
  await page.getByRole('button', { name: /^Student: / }).click();
  await expect(page.getByRole('option', { name: 'Oskar' })).toHaveCount(0);
  await page.keyboard.press('Escape');
  await page.getByText('1 archived student').click();
  await page.getByRole('button', { name: 'Oskar, flute' }).click();
  await page.getByRole('button', { name: 'Bring Oskar back' }).click();
  await expect(page.getByRole('button', { name: 'Archive Oskar' })).toBeVisible();

  await page.getByRole('button', { name: 'Remove Oskar' }).click();
  await expect(page.getByText(/^Oskar removed; hidden with the name: \d+ levels/)).toBeVisible();
  await expect
    .poll(async () => (await storedRows(page, 'students', 'demo')).some((s) => s['id'] === 'demo-oskar'))
    .toBe(false);
  expect(await levels()).toBe(before);
  await page.reload();
  await page.getByText('1 removed student').click();
  await page.getByRole('button', { name: 'Bring Oskar back' }).click();
  await expect(page.getByRole('rowheader', { name: /^Oskar/ })).toBeVisible();
  expect(await levels()).toBe(before);
  // And by undo, which takes the bringing back away again.
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('rowheader', { name: /^Oskar/ })).toHaveCount(0);
});

test('the shelf is looked through; an archived piece keeps the climb of who played it', async ({ page }) => {
  await page.goto('/shelf');
  const rows = page.getByRole('table', { name: 'Pieces' }).getByRole('link');
  await expect(rows.first()).toBeVisible();
  const stored = await storedRows(page, 'pieces', 'demo');
  const isOnTop = ({ archived, exercise, study }: (typeof stored)[number]): boolean =>
    archived !== true && exercise === undefined && study !== true;
  const all = stored.filter(isOnTop).length;
  await expect(rows).toHaveCount(all);
  await page.keyboard.press('f');
  await page.keyboard.type('imke quay');
  await expect(rows).toHaveText(['Lamps Along the Quay']);
  await page.getByRole('button', { name: 'Show all' }).click();
  await pick(page, 'Instrument', 'cello');
  await expect(rows).toHaveText(['Along the Harbour Wall']);
  await pick(page, 'Instrument', 'any instrument');
  await pick(page, 'Who plays it', 'Imke');
  await expect(rows).toHaveCount(3);
  await page.getByRole('button', { name: 'Show all' }).click();

  await page.getByRole('button', { name: 'More for Pebble Steps' }).click();
  await page.getByRole('menuitem', { name: /^Archive/ }).click();
  await expect(rows).toHaveCount(all - 1);
  await page.goto('/board?student=demo-imke');
  await expect(page.getByText('Pebble Steps').first()).toBeVisible();
  await expect(page.getByRole('region', { name: 'In work' }).getByText('Pebble Steps')).toHaveCount(0);
  await page.goto('/shelf');
  await page.getByLabel('archived (1)').check();
  await page.getByRole('button', { name: 'More for Pebble Steps' }).click();
  await page.getByRole('menuitem', { name: /^Bring .* back$/ }).click();
  await page.getByRole('button', { name: 'Show all' }).click();
  await expect(rows).toHaveCount(all);

  await page.goto('/read?piece=demo-quay');
  await page.getByLabel('Level', { exact: true }).fill('Grade 2');
  await page.getByLabel('Tags').fill('recital, spring');
  await page.getByLabel('Tags').press('Enter');
  await expect
    .poll(async () => (await storedRows(page, 'pieces', 'demo')).find((p) => p['id'] === 'demo-quay'))
    .toMatchObject({ grade: 'Grade 2', tags: ['recital', 'spring'] });
  await page.goto('/shelf');
  await page.getByLabel('Find a piece').fill('spring');
  await expect(rows).toHaveText(['Lamps Along the Quay']);
});

test('several files at once: each is said, one that cannot be read stops none, one that is there is asked', async ({
  page,
}) => {
  await openOwnStudio(page);
  await bringMusic(page, 'menuet.musicxml', MENUET);
  await goTo(page, 'Shelf');
  const abc = (title: string): Buffer => Buffer.from(`X:1\nT:${title}\nM:4/4\nL:1/4\nK:C\nC D E F | G4 |]\n`);
  await page.getByLabel('Choose a music file').setInputFiles([
    { name: 'one.abc', mimeType: 'text/plain', buffer: abc('First of two') },
    { name: 'broken.musicxml', mimeType: 'text/xml', buffer: Buffer.from('<score-partwise><part>') },
    { name: 'again.musicxml', mimeType: 'text/xml', buffer: Buffer.from(MENUET) },
    { name: 'two.abc', mimeType: 'text/plain', buffer: abc('Second of two') },
  ]);
  const shelf = page.getByRole('button', { name: 'Put it on the shelf' });
  await shelf.click();
  await expect(page.getByRole('heading', { name: 'You have this piece' })).toBeVisible();
  await page.getByRole('button', { name: 'Leave it out' }).click();
  await shelf.click();
  await expect(page.getByRole('list', { name: 'Brought in' }).getByRole('listitem')).toHaveCount(3);
  await expect(page.getByRole('alert').filter({ hasText: 'broken.musicxml' })).toBeVisible();
  expect((await storedRows(page, 'pieces')).map((p) => p['title']).sort()).toEqual([
    'First of two',
    'Menuet',
    'Second of two',
  ]);
  await page.getByRole('list', { name: 'Brought in' }).getByRole('link', { name: 'Prepare it' }).first().click();
  await page.waitForURL(/\/prepare/);
});

test('anything is found by a key: a student, a bar, a stage, an action; nothing typed reaches the stage', async ({
  page,
}) => {
  await page.goto('/sections?piece=demo-quay');
  await page.locator('.engraved g.note').first().waitFor();
  const sections = await storedRows(page, 'sections', 'demo');
  const find = async (typed: string, best: RegExp): Promise<void> => {
    await page.keyboard.press('F2');
    await expect(page.getByRole('combobox', { name: 'Find anything' })).toBeFocused();
    await page.keyboard.type(typed);
    await expect(page.getByRole('dialog').getByRole('option').first()).toContainText(best);
    await page.keyboard.press('Enter');
  };
  await find('imke', /^Imke/);
  await page.waitForURL(/student=demo-imke/);
  await find('bar 7', /^bar 7/);
  await page.waitForURL(/bars=7/);
  await find('marks', /^Marks/);
  await page.waitForURL(/\/marks/);
  await page.locator('.engraved g.note').first().waitFor();
  await find('as on the stand', /stand/);
  await expect(page.getByRole('dialog', { name: 'Lamps Along the Quay on the stand' })).toHaveCount(1);
  // S is in "as": nothing was split, nothing joined.
  expect(await storedRows(page, 'sections', 'demo')).toEqual(sections);
});

test('the stand shows only music and is turned by keys; the size of the music is remembered; the strip folds', async ({
  page,
}) => {
  await page.goto('/marks?piece=demo-quay&student=demo-imke');
  const head = page.locator('.engraved .notehead').first();
  await head.waitFor();
  const usual = (await head.boundingBox())?.width ?? 0;
  await pick(page, 'Size of the music', 'large music');
  await expect.poll(async () => (await head.boundingBox())?.width ?? 0).toBeGreaterThan(usual * 1.2);
  await page.reload();
  await expect.poll(async () => (await head.boundingBox())?.width ?? 0).toBeGreaterThan(usual * 1.2);
  await page.getByRole('button', { name: 'Fold the strip of bars' }).click();
  await expect(page.getByRole('listbox', { name: 'Bars of the piece' })).toHaveCount(0);
  await page.getByRole('button', { name: /bars 1 to/ }).click();
  await expect(page.getByRole('listbox', { name: 'Bars of the piece' })).toBeVisible();

  await page.keyboard.press('s');
  const stand = page.getByRole('dialog', { name: /on the stand$/ });
  const first = stand.locator('.engraved g.note').first();
  await expect(first).toBeInViewport();
  await stand.locator('.engraved g.measure').nth(23).waitFor({ state: 'attached' });
  await page.keyboard.press('PageDown');
  await expect(first).not.toBeInViewport();
  await page.keyboard.press('PageUp');
  await expect(first).toBeInViewport();
  await page.keyboard.press('Escape');
  await expect(stand).toHaveCount(0);
});

test('the tour goes through the demo, can be left at any time, and ends in the own studio', async ({ page }) => {
  await page.goto('/shelf');
  await page.getByRole('button', { name: 'Tour' }).click();
  const card = page.getByRole('complementary', { name: 'Tour of the demo studio' });
  const titles: string[] = [];
  for (;;) {
    titles.push((await card.getByRole('heading').textContent()) ?? '');
    const on = card.getByRole('button', { name: 'On', exact: true });
    if ((await on.count()) === 0) break;
    await on.click();
    await expect(card.getByRole('heading')).not.toHaveText(titles[titles.length - 1] ?? '');
  }
  expect(titles).toEqual([
    'The shelf',
    'Sections',
    'Marks',
    'The way and the ladder',
    'The lesson',
    'The week',
    'The board',
  ]);
  await card.getByRole('button', { name: 'Back' }).click();
  await page.waitForURL(/view=week/);
  await card.getByRole('button', { name: 'Leave the tour' }).click();
  await expect(card).toHaveCount(0);
  await page.reload();
  await expect(card).toHaveCount(0);
  await leaveDemo(page);
});

test('the text is as large as the browser and the studio say', async ({ page }) => {
  await page.goto('/settings');
  const size = () =>
    page.getByRole('heading', { name: 'Settings' }).evaluate((h) => parseFloat(getComputedStyle(h).fontSize));
  const usual = await size();
  await pick(page, 'Size of the text', 'largest');
  await expect.poll(size).toBeGreaterThan(usual * 1.2);
  await expect.poll(async () => (await storedRows(page, 'settings', 'demo'))[0]?.['textSize']).toBe('largest');
  await page.reload();
  await expect.poll(size).toBeGreaterThan(usual * 1.2);
});

test('a student with a name added on the board is in every list at once', async ({ page }) => {
  await openOwnStudio(page);
  await goTo(page, 'Board');
  await addStudent(page, 'Imogen', 'violin');
  await page.getByRole('button', { name: /^Student: / }).click();
  await expect(page.getByRole('option', { name: 'Imogen' })).toBeVisible();
});

test('a jig is heard in dotted quarters, and kept in quarters', async ({ page }) => {
  await openOwnStudio(page);
  await bringMusic(
    page,
    'jig.abc',
    'X:1\nT:Jig\nM:6/8\nL:1/8\nQ:3/8=80\nV:1 name="Violin"\nK:G\nGAB dBG | AGE D3 | GAB dBG | A3 G3 |]\n',
  );
  await expect(page.getByText('80 dotted quarters a minute')).toBeVisible();
  await goTo(page, 'Board');
  await addStudent(page, 'Imogen', 'violin');
  await goTo(page, 'Shelf');
  await page.getByRole('link', { name: 'Jig' }).click();
  await page.keyboard.press('F8');
  await page.waitForURL(/\/prepare/);
  await page.getByRole('button', { name: /^Take it all/ }).click();
  await expect(page.getByText('All of it is taken')).toBeVisible();
  await page.getByRole('checkbox', { name: /Imogen/ }).check();
  await page.keyboard.press('g');
  await page.waitForURL(/view=week/);
  await expect(page.getByRole('button', { name: /^Give this week/ })).toBeVisible();
  await page.keyboard.press('h');
  await page.locator('.engraved g.note').first().waitFor();
  // The target of the page, in its beat.
  await page.keyboard.press('t');
  await expect(page.getByRole('textbox', { name: /tempo/ })).toHaveAttribute('placeholder', '80');
  await page.keyboard.type('61');
  await page.keyboard.press('Enter');
  await page.keyboard.press('3');
  await page.keyboard.press('Enter');
  await expect
    .poll(async () => (await storedRows(page, 'events')).filter((e) => e['kind'] === 'level').map((e) => e['tempo']))
    .toEqual([92]);
  await page.getByRole('button', { name: /^A Jig heard today/ }).click();
  await expect(page.getByText(/heard today at 61/)).toBeVisible();
});
