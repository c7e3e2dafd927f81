/** The board of a large studio, one student through time, and two browsers whose studios are merged. */
import { expect, test, type Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { buildDemoStudio } from '../../src/demo';
import { writeStudioFile, type Studio } from '../../src/core/studio';
import { troublesOf } from './axe';
import { goTo, openOwnStudio, pick, storedRows, unpacked } from './studio';

const NOW = new Date();

/** Sixty students on twenty sections of one piece. */
function largeStudio(): Studio {
  const demo = buildDemoStudio(NOW);
  const [piece] = demo.pieces;
  const [student] = demo.students;
  const section = demo.sections.find((s) => s.pieceId === piece?.id);
  if (!piece || !student || !section) throw new Error('the demo is empty');
  const sections = Array.from({ length: 20 }, (_, i) => ({
    ...section,
    id: `sec-${i}`,
    letter: `S${i + 1}`,
    name: '',
    order: i,
    likeId: null,
  }));
  const students = Array.from({ length: 60 }, (_, i) => ({
    ...student,
    id: `st-${i}`,
    name: `Student ${String(i + 1).padStart(2, '0')}`,
    order: i,
    pieceIds: [piece.id],
  }));
  const events = students.flatMap((st, i) =>
    sections.map((s, k) => ({
      id: `e-${i}-${k}`,
      at: new Date(NOW.getTime() - (k + 1) * 86_400_000).toISOString(),
      kind: 'level' as const,
      studentId: st.id,
      pieceId: piece.id,
      sectionId: s.id,
      level: (k === 19 ? 0 : (i + k) % 6) as 0 | 1 | 2 | 3 | 4 | 5,
      proposed: null,
      tempo: null,
      note: '',
    })),
  );
  return { ...demo, pieces: [piece], sections, students, events, ladders: [], marks: [] };
}

async function bringIn(page: Page, text: string): Promise<void> {
  await goTo(page, 'Files');
  await page
    .getByLabel('Choose a studio file')
    .setInputFiles({ name: 's.oakrungs.json', mimeType: 'application/json', buffer: Buffer.from(text) });
  await expect(page.getByText(/was brought in/)).toBeVisible();
}

test('sixty students by twenty sections: scrolled, moved in by keys, a level set, sorted, saved as CSV', async ({
  page,
}) => {
  await openOwnStudio(page);
  await bringIn(page, writeStudioFile(largeStudio(), NOW.toISOString()));
  await goTo(page, 'Board');
  await page.getByRole('button', { name: /^Piece:/ }).click();
  await page.getByRole('option', { name: 'Lamps Along the Quay' }).click();
  const grid = page.getByRole('grid');
  await expect(grid).toHaveAttribute('aria-rowcount', '61');
  // Only what is in sight is drawn.
  expect(await grid.getByRole('row').count()).toBeLessThan(30);
  await page.getByRole('button', { name: /^Student 01, section S1:/ }).focus();
  for (let i = 0; i < 4; i += 1) await page.keyboard.press('PageDown');
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('button', { name: /^Student 41, section S2:/ })).toBeFocused();
  await page.keyboard.press('5');
  await expect(page.getByRole('button', { name: /^Student 41, section S2: level 5, Secure/ })).toBeVisible();
  expect((await storedRows(page, 'events')).length).toBe(1201);
  await page.keyboard.press('End');
  await expect(page.getByRole('button', { name: /^Student 41, section S20:/ })).toBeFocused();
  await expect(page.getByRole('heading', { name: 'Hard for everyone' })).toBeVisible();
  await pick(page, 'by', 'name');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as CSV' }).click();
  const csv = readFileSync(await (await download).path(), 'utf8').split('\r\n');
  expect(csv[0]).toBe('student,piece,section,level,proposed,heard,tempo,due,note');
  expect(csv).toHaveLength(1201);
  expect(await troublesOf(page)).toEqual([]);
});

test('one student: the climb, what is in work, how the student is taught, practice logged', async ({ page }) => {
  await page.goto('/board?student=demo-imke');
  await expect(page.locator('.apexcharts-svg').nth(2)).toBeVisible();
  await expect(page.getByRole('table', { name: 'Average level of each piece' })).toContainText('Lamps Along the Quay');
  await page.getByLabel('Minutes practised', { exact: true }).fill('12');
  await page.getByRole('button', { name: 'Log', exact: true }).click();
  await expect
    .poll(
      async () =>
        (await storedRows(page, 'events', 'demo')).filter(
          (e) => e['kind'] === 'practice' && e['minutes'] === 12 && e['times'] === 0,
        ).length,
    )
    .toBe(1);
  // A chunk of the way by itself, under its section.
  await pick(page, 'What was practised', 'bars 1–2');
  await page.getByLabel('Minutes practised', { exact: true }).fill('4');
  await page.getByRole('button', { name: 'Log', exact: true }).click();
  await expect
    .poll(async () => {
      const logs = await storedRows(page, 'events', 'demo');
      return logs.find((e) => e['kind'] === 'practice' && e['minutes'] === 4 && e['times'] === 0)?.['sectionId'];
    })
    .toMatch(/^chunk/);
  await pick(page, 'From memory', 'asked');
  await expect
    .poll(async () => (await storedRows(page, 'students', 'demo')).find((s) => s['id'] === 'demo-imke')?.['teaching'])
    .toMatchObject({ memory: 'asked' });
  await pick(page, 'Take up a piece', 'Sonatina of the Customs House (piano)');
  await expect(page.getByRole('region', { name: 'In work' }).getByText('Sonatina of the Customs House')).toBeVisible();
  expect(await troublesOf(page)).toEqual([]);
  await page.getByRole('button', { name: 'All students' }).click();
  await expect(page.getByRole('grid', { name: 'Levels of students by pieces' })).toBeVisible();
});

test('two browsers edit, export and merge: nothing is lost, and what both changed is listed', async ({
  page,
  browser,
}) => {
  const base = writeStudioFile(buildDemoStudio(NOW), NOW.toISOString());
  await openOwnStudio(page);
  await bringIn(page, base);
  const context = await browser.newContext();
  const other = await context.newPage();
  await openOwnStudio(other);
  await bringIn(other, base);
  const edit = async (p: Page, name: string, field: string, value: string): Promise<void> => {
    await p.goto('/board?student=demo-wren');
    await p.getByLabel('First name or initials').fill(name);
    await p.getByLabel(field, { exact: true }).fill(value);
    await p.getByLabel('Lesson, minutes').focus();
    await expect
      .poll(async () => JSON.stringify((await storedRows(p, 'students')).find((s) => s['id'] === 'demo-wren')))
      .toContain(`"${name}"`);
    await expect
      .poll(async () => JSON.stringify((await storedRows(p, 'students')).find((s) => s['id'] === 'demo-wren')))
      .toContain(`"${value}"`);
    await p.goto('/board?piece=demo-pebble');
    await p
      .getByRole('button', { name: /section A:/ })
      .first()
      .focus();
    await p.keyboard.press('2');
  };
  await edit(page, 'Wren K', 'Age', '8');
  await edit(other, 'Wren L', 'Instrument', 'organ');
  const all = async (p: Page) => (await storedRows(p, 'events')).map((e) => String(e['id'])).sort();
  await expect.poll(async () => (await all(page)).length).toBe((await all(other)).length);
  const union = [...new Set([...(await all(page)), ...(await all(other))])].sort();
  const save = async (p: Page): Promise<string> => {
    await goTo(p, 'Files');
    const download = p.waitForEvent('download');
    await p.getByRole('button', { name: 'Save the studio file' }).click();
    return unpacked(await (await download).path());
  };
  const [a, b] = [await save(page), await save(other)];
  await bringIn(page, b);
  await bringIn(other, a);
  for (const p of [page, other]) {
    expect(await all(p)).toEqual(union);
    expect((await storedRows(p, 'students')).find((s) => s['id'] === 'demo-wren')).toMatchObject({
      age: '8',
      instrument: 'piano',
      instrumentWords: 'organ',
      name: 'Wren L',
    });
    await expect(p.getByRole('heading', { name: 'Changed in both places' })).toBeVisible();
    await expect(p.getByText(/student, name: kept "Wren L"/)).toBeVisible();
  }
  await context.close();
});
