import { expect, test, type Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { openAbc, openPiece } from '../../src/core/studio';
import { bringMusic, goTo, openCounts, openOwnStudio, pick, storedRows, takeOver } from './studio';

async function bringIn(page: Page, name: string, text: string): Promise<void> {
  await bringMusic(page, name, text);
}
const xmlOf = (abc: string): string => {
  const opened = openAbc(abc, 'x.abc');
  if (!opened.ok) throw new Error(opened.issue.message);
  return opened.value.text;
};
const rightHand = (page: Page) => page.getByRole('group', { name: 'Right hand' }).first();

test('fingers are proposed, two are locked and the rest follows, a student sees less, and a late change is warned about', async ({
  page,
}) => {
  const opened = await openPiece(readFileSync('tests/pieces/minuet-g.abc'), 'minuet.abc');
  if (!opened.ok) throw new Error(opened.issue.message);
  await openOwnStudio(page);
  await bringIn(page, 'minuet.musicxml', opened.value.text);
  await goTo(page, 'Sections');
  await page.getByRole('button', { name: /Accept all/ }).click();
  await expect.poll(async () => (await storedRows(page, 'sections')).length).toBe(2);
  await goTo(page, 'Board');
  await page.getByLabel('First name or initials').fill('Runa');
  await page.getByRole('button', { name: 'Add a student' }).click();
  await goTo(page, 'Marks');

  // Usually only where the hand changes place; on every note when that is asked for. Nothing is stored yet.
  await expect(page.getByRole('button', { name: 'Fingers: changes only', exact: true })).toBeVisible();
  await pick(page, 'Fingers', 'every note');
  await expect(rightHand(page).getByRole('button').nth(4)).toBeVisible();
  const before = await rightHand(page).getByRole('button').allTextContents();
  expect(before[0]).toBe('5');
  expect(await storedRows(page, 'marks')).toHaveLength(0);

  // Two locks: the first two notes on other fingers; the rest is solved around them.
  await page.locator('[id="p1-b1-n1"] .notehead').dispatchEvent('click');
  await page.keyboard.press('4');
  await page.locator('[id="p1-b1-n2"] .notehead').dispatchEvent('click');
  await page.keyboard.press('2');
  await expect.poll(async () => (await storedRows(page, 'marks')).length).toBe(2);
  await expect.poll(() => rightHand(page).getByRole('button').allTextContents()).not.toEqual(before);
  const after = await rightHand(page).getByRole('button').allTextContents();
  expect(after.slice(0, 2)).toEqual(['4', '2']);

  // Enter takes the proposals over to the end of the section.
  await page.keyboard.press('Enter');
  await expect.poll(async () => (await storedRows(page, 'marks')).length).toBeGreaterThan(20);
  await page.keyboard.press('Control+z');
  await expect.poll(async () => (await storedRows(page, 'marks')).length).toBe(2);

  // Faster than the fingers are worked out: the digit stands, and the others are those found around it.
  await page.locator('[id="p1-b1-n1"] .notehead').dispatchEvent('click');
  await page.keyboard.press('3');
  await page.keyboard.press('Enter');
  await expect.poll(async () => (await storedRows(page, 'marks')).length).toBeGreaterThan(20);
  const fingerOf = async (id: string) => (await storedRows(page, 'marks')).find((m) => m['noteId'] === id)?.['finger'];
  expect([await fingerOf('p1-b1-n1'), await fingerOf('p1-b1-n2')]).toEqual(['3', '2']);
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await expect.poll(async () => (await storedRows(page, 'marks')).length).toBe(2);
  await expect.poll(() => fingerOf('p1-b1-n1')).toBe('4');

  // Runa sees only where the hand changes place.
  const shownToAll = (await rightHand(page).getByRole('button').allTextContents()).length;
  await page.getByRole('button', { name: /^Student/ }).click();
  await page.getByRole('option', { name: 'Runa' }).click();
  await pick(page, 'Runa sees', 'changes only');
  await expect
    .poll(async () => (await rightHand(page).getByRole('button').allTextContents()).length)
    .toBeLessThan(shownToAll);
  expect(await storedRows(page, 'students')).toMatchObject([{ name: 'Runa', density: 'changes' }]);

  // After the section has been heard, another finger is a costly change: said, and kept with its date.
  await goTo(page, 'Lesson');
  await expect(page.getByRole('heading', { name: 'To hear' })).toBeVisible();
  await expect(page.getByRole('heading', { name: /^A( |$)/ })).toBeVisible();
  await page.keyboard.press('2');
  await page.keyboard.press('Enter');
  await expect.poll(async () => (await storedRows(page, 'events')).filter((e) => e['kind'] === 'level').length).toBe(1);
  await goTo(page, 'Marks');
  await page.goto(`${page.url().replace(/&(section|bars)=[^&]*/g, '')}&bars=1-8`);
  await page.locator('[id="p1-b1-n1"] .notehead').dispatchEvent('click');
  await page.keyboard.press('3');
  await expect(page.getByText(/Runa practised this already/)).toBeVisible();
  await expect(page.getByText(/4 → 3, after practice had begun/)).toBeVisible();
  expect((await storedRows(page, 'events')).filter((e) => e['kind'] === 'fingering')).toMatchObject([
    { before: '4', after: '3', noteId: 'p1-b1-n1' },
  ]);
});

const FLUTE = `X:1
T:Long line
M:4/4
L:1/4
Q:1/4=60
V:1 clef=treble name="Flute"
K:G
V:1
G A B c | d2 c2 | B A G A | B4 | G A B c | d2 e2 | d c B F | TG4 |]
`;

test('a wind piece gets its breaths; another tempo changes the spans; a refused suggestion stays away; an ornament is heard', async ({
  page,
}) => {
  await page.addInitScript(() => {
    const counter = window as unknown as { tones: number };
    counter.tones = 0;
    const make = AudioContext.prototype.createOscillator;
    AudioContext.prototype.createOscillator = function (this: AudioContext) {
      counter.tones += 1;
      return make.call(this);
    };
  });
  await openOwnStudio(page);
  await bringIn(page, 'flute.musicxml', xmlOf(FLUTE));
  await goTo(page, 'Marks');
  const spans = page.getByRole('region', { name: 'Breath spans' });
  await expect(spans.getByRole('listitem').first()).toBeVisible();
  // 32 quarters at 60 with eight seconds a breath are at least four spans; at 120 half as many do.
  expect(await spans.getByRole('listitem').count()).toBeGreaterThanOrEqual(4);
  await openCounts(page);
  await page.getByLabel('Tempo').fill('120');
  await expect.poll(() => spans.getByRole('listitem').count()).toBeLessThanOrEqual(3);

  // The proposed breath after the long note is refused and does not return.
  await openCounts(page);
  await page.getByLabel('Tempo').fill('60');
  const breath = page.getByRole('group', { name: 'Breath' }).getByRole('button').first();
  await breath.click();
  const refuse = page.getByRole('button', { name: /^Refuse ’/ });
  await refuse.click();
  await expect(refuse).toHaveCount(0);
  const kept = await storedRows(page, 'marks');
  expect(kept).toMatchObject([{ kind: 'refused' }]);
  await page.reload();
  await expect(spans.getByRole('listitem').first()).toBeVisible();
  const noteId = String(kept[0]?.['what']).split(' ')[1] ?? '';
  await page.locator(`[id="${noteId}"] .notehead`).dispatchEvent('click');
  await expect(page.getByRole('heading', { name: /^Note/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Refuse ’/ })).toHaveCount(0);

  // The trill in another style, and heard.
  await page.locator('[id="p1-b8-n1"] .notehead').dispatchEvent('click');
  const panel = page.getByRole('region', { name: /^Note G4/ });
  const first = panel.locator('p.figure');
  await expect(first).toHaveText(/^A G/);
  await panel.getByRole('button', { name: 'late' }).click();
  await expect(first).toHaveText(/^G A/);
  expect((await storedRows(page, 'marks')).find((m) => m['kind'] === 'ornament')).toMatchObject({
    style: 'late',
    noteId: 'p1-b8-n1',
  });
  await panel.getByRole('button', { name: 'Hear it' }).click();
  await expect.poll(() => page.evaluate(() => (window as unknown as { tones: number }).tones)).toBeGreaterThan(5);

  // Breaths accepted go into the file and come back out of it.
  await takeOver(page, /other suggestions/);
  await expect
    .poll(async () => (await storedRows(page, 'marks')).filter((m) => m['kind'] === 'breath').length)
    .toBeGreaterThan(1);
  await goTo(page, 'Read');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as MusicXML with your marks' }).click();
  const saved = readFileSync(await (await download).path(), 'utf8');
  expect(saved).toContain('<breath-mark');
  await goTo(page, 'Shelf');
  await bringIn(page, 'again.musicxml', saved);
  await expect
    .poll(async () => (await storedRows(page, 'marks')).filter((m) => m['kind'] === 'breath').length)
    .toBeGreaterThan(3);
});

test('a stretch of notes gets a hairpin and loses its fingers at once; own signs, own words for gestures, the copies, the printed page', async ({
  page,
}) => {
  await page.goto('/marks?piece=demo-quay&section=demo-quay-s1&bars=1-8');
  await page.locator('[id="p1-b1-n1"] .notehead').dispatchEvent('click');
  const demo = (table: string) => storedRows(page, table, 'demo');
  const count = async (kind: string) => (await demo('marks')).filter((m) => m['kind'] === kind).length;
  for (let i = 0; i < 3; i += 1) await page.keyboard.press('Shift+ArrowRight');
  await expect(page.getByText('4 notes chosen')).toBeVisible();
  await page.keyboard.press('<');
  await expect
    .poll(async () => (await demo('marks')).filter((m) => m['kind'] === 'wedge'))
    .toMatchObject([{ noteId: 'p1-b1-n1', toNoteId: 'p1-b1-n4', role: 'crescendo' }]);
  const fingers = await count('finger');
  await page.keyboard.press('Backspace');
  await expect.poll(() => count('finger')).toBe(fingers - 4);
  await page.keyboard.press('Control+z');
  await expect.poll(() => count('finger')).toBe(fingers);

  // A phrase is chosen by one key, what is suggested in it accepted by another.
  await page.keyboard.press('p');
  await expect(page.getByText(/^\d+ notes chosen$/)).toBeVisible();
  const before = (await demo('marks')).length;
  await page.keyboard.press('a');
  await expect.poll(async () => (await demo('marks')).length).toBeGreaterThan(before);

  await page.getByRole('button', { name: 'hold back' }).click();
  await expect(page.getByRole('group', { name: 'Own signs' }).first()).toContainText('←');

  // The marks go to the linked copy, on the notes that are the same; undone in one step.
  const all = (await demo('marks')).length;
  await takeOver(page, /^Also in the copy/);
  await expect.poll(async () => (await demo('marks')).length).toBeGreaterThan(all + 5);
  await page.keyboard.press('Control+z');
  await expect.poll(async () => (await demo('marks')).length).toBe(all);

  // The teacher's own words for a gesture are kept and stand where the gesture is suggested.
  const book = page.getByRole('region', { name: 'What I say' });
  await book.getByRole('button', { name: 'Change' }).click();
  await book.getByLabel('Slur over two notes').fill('lean and leave');
  await book.getByLabel('Accent').focus();
  await expect
    .poll(async () => (await demo('settings'))[0]?.['gestureCues'])
    .toMatchObject({ 'two-note-slur keyboard': 'lean and leave' });
  await page.goto('/marks?piece=demo-customs&section=demo-customs-s1');
  await expect(page.getByRole('group', { name: 'Cues' }).first()).toContainText('lean and leave');

  // On paper: the music with its lanes and a heading, no controls.
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('group', { name: 'Count' }).first()).toBeVisible();
  await expect(page.getByText('Sonatina of the Customs House, bars 1–8')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Print' })).toBeHidden();
  await expect(page.getByRole('link', { name: 'Shelf' })).toBeHidden();
  await expect(page.getByRole('heading', { name: 'What I say' })).toBeHidden();
});

test('the count follows the beams, two voices are counted apart, and 6/8 goes by eighths where the teacher says so', async ({
  page,
}) => {
  const counts = page.getByRole('group', { name: 'Count' }).first();
  await openOwnStudio(page);
  await bringIn(
    page,
    'five.musicxml',
    xmlOf('X:1\nT:Five\nM:5/8\nL:1/8\nQ:1/8=180\nK:G\nGB dBG | AF DEF | G2 BAG | A2 F3 |]'),
  );
  await goTo(page, 'Marks');
  // The beams join two and three: nothing is asked.
  await expect(counts).toContainText('1&2lali');
  await openCounts(page);
  await expect(page.getByRole('button', { name: /^5\/8 and 7\/8: / })).toHaveCount(0);

  await goTo(page, 'Shelf');
  await bringIn(
    page,
    'jig.musicxml',
    xmlOf('X:1\nT:Jig\nM:6/8\nL:1/8\nQ:3/8=60\n%%score (1 2)\nV:1\nV:2\nK:G\nV:1\nG3 B2c | d6 |]\nV:2\nD6 | G6 |]'),
  );
  await goTo(page, 'Marks');
  await expect(counts).toContainText('12li1(2)');
  await openCounts(page);
  await pick(page, '6/8 and 3/8', 'by eighths, 1 to 6');
  await expect(counts).toContainText('6');
  await expect
    .poll(async () => (await storedRows(page, 'pieces')).map((p) => p['teaching']))
    .toContainEqual({ compound: 'eighths' });
  await page.reload();
  await openCounts(page);
  await expect(page.getByRole('button', { name: '6/8 and 3/8: by eighths, 1 to 6' })).toBeVisible();
  await expect(counts).toContainText('6');
});

test('the hand of a cello is marked where it opens', async ({ page }) => {
  await openOwnStudio(page);
  await bringIn(
    page,
    'cello.musicxml',
    xmlOf('X:1\nT:Open hand\nM:3/4\nL:1/4\nQ:1/4=80\nV:1 clef=bass name="Cello"\nK:D\nD,, E,, F,, | G,,3 |]'),
  );
  await goTo(page, 'Marks');
  const fingers = page.getByRole('group', { name: 'Fingers' }).first();
  await expect(fingers.getByRole('button').first()).toBeVisible();
  await expect.poll(() => fingers.getByRole('button').allTextContents()).toEqual(['1', 'x2']);
});

test('a digit sets what the instrument has: no 0 on a piano, a fingering on a clarinet, all notes of a stretch', async ({
  page,
}) => {
  await openOwnStudio(page);
  await bringMusic(page, 'runs.abc', 'X:1\nT:Runs\nM:4/4\nL:1/4\nK:C\nC D E F | G A B c |]\n');
  await goTo(page, 'Marks');
  const fingers = async (): Promise<unknown[]> =>
    (await storedRows(page, 'marks')).filter((m) => m['kind'] === 'finger').map((m) => m['finger']);
  const first = page.locator('.engraved g.note .notehead').first();
  await first.waitFor();
  await expect(page.getByRole('button', { name: /^Accept \d+ fingers/ })).toBeEnabled();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('0');
  await expect(page.getByText('A finger here is 1 to 5.')).toBeVisible();
  expect(await fingers()).toEqual([]);
  for (let i = 0; i < 2; i += 1) await page.keyboard.press('Shift+ArrowRight');
  await page.keyboard.press('2');
  await expect.poll(fingers).toEqual(['2', '2', '2']);
  await page.keyboard.press('Control+z');
  await expect.poll(fingers).toEqual([]);
  // The same tune on a clarinet: key 1 is the usual fingering of the note, never a finger "1".
  const { id } = (await storedRows(page, 'pieces'))[0] ?? {};
  await page.goto(`/read?piece=${String(id)}`);
  const instrument = page.getByRole('region', { name: 'About the piece' }).getByLabel('Instrument');
  await instrument.fill('clarinet');
  await instrument.press('Enter');
  await expect.poll(async () => (await storedRows(page, 'pieces'))[0]?.['instrument']).toBe('clarinet');
  await goTo(page, 'Marks');
  await first.waitFor();
  await expect(page.getByRole('button', { name: /^Accept \d+ fingers/ })).toBeEnabled();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('9');
  await expect(page.getByText(/This note has|No fingering/)).toBeVisible();
  expect(await fingers()).toEqual([]);
  await page.keyboard.press('1');
  await expect.poll(async () => String((await fingers())[0] ?? '')).toMatch(/[T123]/);
  expect(String((await fingers())[0]).length).toBeGreaterThan(1);
});
