/** What must never happen: records lost, shown before they are stored, cut at midnight, or silence. */
import { expect, test, type Browser, type Page, type Locator } from '@playwright/test';
import { buildDemoStudio } from '../../src/demo';
import { COUNTING } from '../../src/core/rhythm';
import { openAbc, writeStudioFile } from '../../src/core/studio';
import { fillStorage, makeRoom } from './full-storage';
import {
  bringMusic,
  goTo,
  openCounts,
  openOwnStudio,
  pick,
  putRow,
  storedRows,
  storedStandings,
  unpacked,
} from './studio';

const TUNE = `X:1
T:Two halves
M:4/4
L:1/4
Q:1/4=80
K:C
C D E F | G A B c | c B A G | C4 | E F G A | c B A G | F E D C | C4 |]
`;

async function bringIn(page: Page, name = 'tune.abc', text = TUNE): Promise<void> {
  await bringMusic(page, name, text);
}

/** An empty studio with one piece in two sections and one student, at the lesson; its rows are put there at once. */
async function lessonDesk(page: Page): Promise<{ readonly pieceId: string; readonly studentId: string }> {
  await openOwnStudio(page);
  const opened = openAbc(TUNE, 'tune.abc');
  if (!opened.ok) throw new Error(opened.issue.message);
  const { bars } = opened.value.read.score;
  const at = { updatedAt: '2026-01-05T10:00:00.000Z' };
  const rows: readonly (readonly [string, Record<string, unknown>])[] = [
    [
      'pieces',
      {
        ...at,
        id: 'piece',
        title: 'Two halves',
        composer: '',
        format: 'abc',
        fileName: 'tune.abc',
        source: opened.value.text,
        encoding: 'utf-8',
        bom: false,
        original: TUNE,
        instrument: 'piano',
        targetTempo: null,
        addedAt: at.updatedAt,
      },
    ],
    ...(['A', 'B'] as const).map(
      (letter, i) =>
        [
          'sections',
          {
            ...at,
            id: `section-${letter}`,
            pieceId: 'piece',
            name: '',
            letter,
            fromBar: bars[i * 4]?.id,
            toBar: bars[i * 4 + 3]?.id,
            fromOffset: '0',
            toOffset: null,
            parentId: null,
            likeId: null,
            hand: 'all',
            order: i * 4,
          },
        ] as const,
    ),
    [
      'students',
      {
        ...at,
        id: 'student',
        name: 'Runa',
        instrument: 'piano',
        age: '',
        handSpanInSemitones: null,
        breathSpanInSeconds: null,
        minutesPerDay: [20, 20, 20, 20, 20, 0, 0],
        order: 1,
      },
    ],
  ];
  for (const [table, row] of rows) await putRow(page, table, row);
  await page.goto('/lesson?piece=piece&student=student');
  await expect(page.getByRole('heading', { name: 'To hear' })).toBeVisible();
  await page.locator('.engraved g.note').first().waitFor();
  return { pieceId: 'piece', studentId: 'student' };
}

const toHear = (page: Page) => page.getByRole('region', { name: 'To hear' });
const levels = async (page: Page): Promise<Record<string, unknown>[]> =>
  (await storedRows(page, 'events')).filter((e) => e['kind'] === 'level');

test('with the storage full a level is said not to be stored, nothing is shown as heard, and the hearing is still there', async ({
  page,
}) => {
  await lessonDesk(page);
  await fillStorage(page);
  await page.keyboard.press('n');
  await page.keyboard.press('3');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/no room left/)).toBeVisible();
  expect(await levels(page)).toHaveLength(0);
  await expect(toHear(page).getByText('heard today')).toHaveCount(0);
  await expect(page.getByRole('button', { name: /3 Joined/ })).toHaveAttribute('aria-pressed', 'true');
  await expect(page.getByRole('button', { name: /^notes/ })).toHaveAttribute('aria-pressed', 'true');
  // With room again, Enter stores what is still there.
  await makeRoom(page);
  await page.keyboard.press('Enter');
  await expect.poll(async () => (await levels(page)).length).toBe(1);
  expect(await levels(page)).toMatchObject([{ level: 3, facets: { notes: true } }]);
  await expect(toHear(page).getByText('heard today')).toHaveCount(1);
});

test('Enter records only what was heard, goes on otherwise, and never stores what is only proposed', async ({
  page,
}) => {
  await lessonDesk(page);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: /^B/ })).toBeVisible();
  await page.keyboard.press('2');
  await page.keyboard.press('Enter');
  await expect.poll(async () => (await levels(page)).length).toBe(1);
  for (let i = 0; i < 3; i += 1) await page.keyboard.press('Enter');
  await expect(toHear(page).getByText('heard today')).toHaveCount(1);
  expect(await levels(page)).toMatchObject([{ level: 2 }]);
});

/** The page's clock stands still at what the test says; dates made of something are left alone. */
async function fixClock(page: Page, start: string): Promise<void> {
  await page.addInitScript((first) => {
    const Real = Date;
    const now = (): number => Real.parse(localStorage.getItem('test-clock') ?? first);
    // The same Date, but for what it says of now: whoever builds on it finds all of it.
    globalThis.Date = new Proxy(Real, {
      construct: (target, args: unknown[], made) =>
        Reflect.construct(target, args.length === 0 ? [now()] : args, made) as Date,
      get: (target, name) => (name === 'now' ? now : (Reflect.get(target, name) as unknown)),
    });
  }, start);
}

const inZone = async (browser: Browser, timezoneId: string): Promise<Page> =>
  (await browser.newContext({ timezoneId })).newPage();

for (const [where, before, after, day] of [
  ['America/Los_Angeles', '2026-05-18T23:55:00.000Z', '2026-05-19T00:05:00.000Z', 'Monday 18 May 2026'],
  ['America/New_York', '2026-03-08T23:56:00.000Z', '2026-03-09T00:06:00.000Z', 'Sunday 8 March 2026'],
  ['Pacific/Auckland', '2026-09-27T10:50:00.000Z', '2026-09-27T11:10:00.000Z', 'Sunday 27 September 2026'],
] as const)
  test(`a lesson in ${where} over midnight is one lesson on one day`, async ({ browser }) => {
    const page = await inZone(browser, where);
    await fixClock(page, before);
    await lessonDesk(page);
    await page.keyboard.press('4');
    await page.keyboard.press('Enter');
    await expect.poll(async () => (await levels(page)).length).toBe(1);
    await page.evaluate((time) => localStorage.setItem('test-clock', time), after);
    await page.keyboard.press('3');
    await page.keyboard.press('Enter');
    await expect.poll(async () => (await levels(page)).length).toBe(2);
    expect((await storedRows(page, 'events')).filter((e) => e['kind'] === 'lesson')).toHaveLength(1);
    // Heard ten minutes ago is not heard from cold.
    await toHear(page).getByRole('button', { name: /^A/ }).click();
    for (const facet of ['notes', 'rhythm', 'fingering', 'joined']) {
      const button = page.getByRole('button', { name: new RegExp(`^${facet}`) });
      if ((await button.getAttribute('aria-pressed')) !== 'true') await button.click();
    }
    await page.keyboard.press('t');
    await page.keyboard.type('80');
    await page.keyboard.press('Enter');
    await expect(page.getByText('for 5: a later lesson: it has to hold')).toBeVisible();
    await page.getByRole('tab', { name: /^Past lessons/ }).click();
    await expect(page.getByRole('heading', { name: day })).toHaveCount(1);
    await page.context().close();
  });

test('a lesson is put down afterwards, missed ones as missed; a record is corrected in all it says', async ({
  page,
}) => {
  await lessonDesk(page);
  await page.getByRole('tab', { name: /^Past lessons/ }).click();
  await page.getByRole('textbox', { name: 'Day', exact: true }).fill('2026-04-14');
  await page.getByLabel('Began at').fill('16:30');
  await page.getByRole('button', { name: 'Put it down' }).click();
  await expect(page.getByRole('heading', { name: 'Tuesday 14 April 2026' })).toBeVisible();
  await pick(page, 'Also heard', /^A /);
  await pick(page, 'at level', /^3/);
  await expect.poll(async () => (await levels(page)).length).toBe(1);
  const [lesson] = (await storedRows(page, 'events')).filter((e) => e['kind'] === 'lesson');
  expect((await levels(page))[0]).toMatchObject({ at: lesson?.['at'], lessonId: lesson?.['id'], level: 3 });

  await page.getByRole('button', { name: 'Correct', exact: true }).click();
  await pick(page, 'It was section', /^B /);
  await expect.poll(async () => (await levels(page)).length).toBe(2);
  await page.getByRole('button', { name: 'Correct', exact: true }).click();
  await page.getByRole('textbox', { name: 'Tempo' }).fill('72');
  await page.getByRole('textbox', { name: 'Tempo' }).press('Enter');
  await expect.poll(async () => (await levels(page)).length).toBe(3);
  expect(await storedStandings(page)).toMatchObject([
    {
      sectionId: String((await storedRows(page, 'sections')).find((s) => s['letter'] === 'B')?.['id']),
      level: 3,
      tempo: 72,
      at: lesson?.['at'],
    },
  ]);

  await page.getByRole('textbox', { name: 'Day', exact: true }).fill('2026-04-21');
  await page.getByLabel('it was missed').check();
  await page.getByRole('button', { name: 'Put it down' }).click();
  await expect(page.getByText('missed', { exact: true })).toBeVisible();
  expect((await storedRows(page, 'events')).filter((e) => e['kind'] === 'lesson' && e['missed'] === true)).toHaveLength(
    1,
  );
});

test('what is typed is never lost: a cue, a hearing, ABC that cannot be read for a moment', async ({ page }) => {
  const { pieceId, studentId } = await lessonDesk(page);
  // A hearing in progress.
  await page.keyboard.press('n');
  await page.keyboard.press('r');
  await page.keyboard.press('w');
  await page.keyboard.type('late at the join');
  await expect.poll(async () => JSON.stringify(await storedRows(page, 'drafts'))).toContain('late at the join');
  await page.reload();
  await expect(page.getByRole('button', { name: /^rhythm/ })).toHaveAttribute('aria-pressed', 'true');
  await expect(page.getByLabel(/^Note/)).toHaveValue('late at the join');

  // A cue before Enter.
  await page.goto(`/marks?piece=${pieceId}&student=${studentId}&bars=1-4`);
  await page.locator('[id="p1-b1-n1"] .notehead').dispatchEvent('click');
  await page.getByRole('combobox', { name: 'Cue', exact: true }).fill('lean into the fourth');
  await expect.poll(async () => JSON.stringify(await storedRows(page, 'drafts'))).toContain('lean into');
  await page.reload();
  await page.locator('[id="p1-b1-n1"] .notehead').dispatchEvent('click');
  await expect(page.getByRole('combobox', { name: 'Cue', exact: true })).toHaveValue('lean into the fourth');
  expect(await storedRows(page, 'marks')).toHaveLength(0);
  await page.getByRole('combobox', { name: 'Cue', exact: true }).press('Enter');
  await expect.poll(async () => (await storedRows(page, 'marks')).length).toBe(1);

  // ABC typed a moment before leaving, and unreadable.
  await page.goto(`/read?piece=${pieceId}`);
  await page.getByLabel('The piece as ABC text').fill('K:');
  await page.getByRole('link', { name: /^Shelf/ }).click();
  await page.waitForURL(/\/shelf/);
  await page.goto(`/read?piece=${pieceId}`);
  await expect(page.getByLabel('The piece as ABC text')).toHaveValue('K:');
  await expect(page.getByText(/what you typed is kept/)).toBeVisible();
  expect(String((await storedRows(page, 'pieces'))[0]?.['original'])).toContain('C D E F');
});

test('a bar typed in front keeps the marks on their notes', async ({ page }) => {
  const { pieceId } = await lessonDesk(page);
  await page.goto(`/marks?piece=${pieceId}&bars=1-4`);
  await page.locator('[id="p1-b2-n1"] .notehead').dispatchEvent('click');
  await page.keyboard.press('2');
  await expect.poll(async () => (await storedRows(page, 'marks')).length).toBe(1);
  await page.goto(`/read?piece=${pieceId}`);
  await page.getByLabel('The piece as ABC text').fill(TUNE.replace('C D E F |', 'G4 | C D E F |'));
  await expect.poll(async () => String((await storedRows(page, 'pieces'))[0]?.['original'])).toContain('G4 |');
  // The third bar now; the section that began at bar 1 begins at bar 2.
  const [mark] = await storedRows(page, 'marks');
  expect(mark).toMatchObject({ noteId: 'p1-b2-n1', finger: '2' });
  const kept = (await storedRows(page, 'pieces'))[0]?.['kept'] as {
    notes: Record<string, string>;
    bars: Record<string, string>;
  };
  expect([kept.notes['p1-b3-n1'], kept.bars['bar-2']]).toEqual(['p1-b2-n1', 'bar-1']);
});

test('two tabs that record at once make one lesson, and see each other', async ({ page }) => {
  const { pieceId, studentId } = await lessonDesk(page);
  const other = await page.context().newPage();
  const b = String((await storedRows(page, 'sections')).find((s) => s['letter'] === 'B')?.['id']);
  await other.goto(`/lesson?piece=${pieceId}&student=${studentId}&section=${encodeURIComponent(b)}`);
  await other.locator('.engraved g.note').first().waitFor();
  await page.keyboard.press('2');
  await other.keyboard.press('3');
  await Promise.all([page.keyboard.press('Enter'), other.keyboard.press('Enter')]);
  await expect.poll(async () => (await levels(page)).length).toBe(2);
  expect((await storedRows(page, 'events')).filter((e) => e['kind'] === 'lesson')).toHaveLength(1);
  for (const tab of [page, other]) await expect(toHear(tab).getByText('heard today')).toHaveCount(2);
});

test('the demo taken away in one tab is gone in the other, and stays away', async ({ page }) => {
  await page.goto('/shelf');
  await expect(page.getByText('Lamps Along the Quay')).toBeVisible();
  const other = await page.context().newPage();
  await other.goto('/files');
  await other.getByRole('button', { name: 'Remove the demo studio' }).click();
  await expect(other.getByRole('heading', { name: 'Three steps to begin' })).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Three steps to begin' })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Three steps to begin' })).toBeVisible();
  const names = await page.evaluate(async () => (await indexedDB.databases()).map((d) => d.name));
  expect(names).not.toContain('oak-rungs-demo');
});

test('a studio of a newer Oak Rungs is not touched, and that is said', async ({ page }) => {
  await page.goto('/about');
  await page.evaluate(
    () =>
      new Promise<void>((resolve, reject) => {
        localStorage.setItem('oak-rungs.studio', 'own');
        const open = indexedDB.open('oak-rungs-own', 9999);
        open.onsuccess = () => {
          open.result.close();
          resolve();
        };
        open.onerror = () => reject(open.error);
      }),
  );
  await page.goto('/shelf');
  await expect(page.getByRole('alert').first()).toContainText('kept by a newer Oak Rungs');
});

test('a screen that fails says so, keeps the data, and offers the studio file with the damaged row in it', async ({
  page,
}) => {
  const { pieceId, studentId } = await lessonDesk(page);
  const [student] = await storedRows(page, 'students');
  await putRow(page, 'students', { ...student, minutesPerDay: null });
  await page.goto(`/lesson?piece=${pieceId}&student=${studentId}`);
  await page.getByRole('tab', { name: /^Next week/ }).click();
  await expect(page.getByRole('heading', { name: 'Lesson cannot be shown' })).toBeVisible();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save the studio file' }).click();
  const file = JSON.parse(unpacked(await (await download).path())) as {
    studio: { pieces: unknown[]; damaged: { table: string }[] };
  };
  expect(file.studio.pieces).toHaveLength(1);
  expect(file.studio.damaged).toMatchObject([{ table: 'students' }]);
  // Other stages go on.
  await goTo(page, 'Shelf');
  await expect(page.getByText('Two halves').first()).toBeVisible();
});

test('a studio file is one step: undo takes it back, what was done before can still be undone', async ({ page }) => {
  await openOwnStudio(page);
  await bringIn(page);
  await goTo(page, 'Files');
  const demo = buildDemoStudio(new Date('2026-05-20T15:00:00.000Z'));
  const { length } = demo.pieces;
  const text = writeStudioFile(demo, '2026-05-20T15:00:00.000Z');
  await page
    .getByLabel('Choose a studio file')
    .setInputFiles({ name: 'other.oakrungs.json', mimeType: 'application/json', buffer: Buffer.from(text) });
  await expect(page.getByText(`other.oakrungs.json was brought in: ${length} pieces`)).toBeVisible();
  expect(await storedRows(page, 'pieces')).toHaveLength(length + 1);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(async () => (await storedRows(page, 'pieces')).length).toBe(1);
  expect(await storedRows(page, 'events')).toHaveLength(0);
  await page.getByRole('button', { name: 'Redo' }).click();
  await expect.poll(async () => (await storedRows(page, 'events')).length).toBeGreaterThan(1000);
  for (const left of [1, 0]) {
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect.poll(async () => (await storedRows(page, 'pieces')).length).toBe(left);
  }
});

test('how it is taught shows in Marks: for the studio, a piece, a student', async ({ page }) => {
  const { pieceId, studentId } = await lessonDesk(page);
  await page.goto(`/marks?piece=${pieceId}&bars=1-4`);
  const counting = (system: keyof typeof COUNTING): Locator =>
    page.getByRole('button', { name: `Count: ${COUNTING[system].label}`, exact: true });
  const fingers = (view: string): Locator => page.getByRole('button', { name: `Fingers: ${view}`, exact: true });
  await openCounts(page);
  await expect(counting('meter')).toBeVisible();
  await expect(fingers('changes only')).toBeVisible();
  await goTo(page, 'Settings');
  await pick(page, 'Counting', COUNTING.takadimi.label);
  await pick(page, 'Fingers written', 'none');
  await expect
    .poll(async () => (await storedRows(page, 'settings'))[0]?.['teaching'])
    .toMatchObject({ counting: 'takadimi', fingers: 'none' });
  await page.goto(`/marks?piece=${pieceId}&bars=1-4`);
  await openCounts(page);
  await expect(counting('takadimi')).toBeVisible();
  await expect(fingers('none')).toBeVisible();
  await page.goto(`/board?student=${studentId}`);
  await pick(page, 'Counting', COUNTING.unit.label);
  await expect.poll(async () => (await storedRows(page, 'students'))[0]?.['teaching']).toEqual({ counting: 'unit' });
  await page.goto(`/marks?piece=${pieceId}&student=${studentId}&bars=1-4`);
  await openCounts(page);
  await expect(counting('unit')).toBeVisible();
  await page.goto(`/read?piece=${pieceId}`);
  await page.getByText('How this piece is taught').click();
  await pick(page, 'Counting', COUNTING.syllables.label);
  await expect.poll(async () => (await storedRows(page, 'pieces'))[0]?.['teaching']).toEqual({ counting: 'syllables' });
  await page.goto(`/marks?piece=${pieceId}&student=${studentId}&bars=1-4`);
  await openCounts(page);
  await expect(counting('syllables')).toBeVisible();
});
