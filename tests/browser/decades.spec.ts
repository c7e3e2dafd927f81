/** A studio of many years: brought in in portions, broken off, saved packed, and one of the version before. */
import { expect, test, type Page } from '@playwright/test';
import { decadesAsText } from '../../bench/decades';
import { foldStandings } from '../../src/core/mastery';
import type { Level, StudioEvent } from '../../src/core/studio';
import { goTo, openOwnStudio, storedRows, storedStandings, unpacked } from './studio';

const SIZE = { students: 12, pieces: 6, sections: 4, chunks: 2, records: 6000, pictures: 1 };
const file = (): string => [...decadesAsText(SIZE)].join('');

const choose = (page: Page, name: string, text: string): Promise<void> =>
  page
    .getByLabel('Choose a studio file')
    .setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(text) });

test('thousands of records come in bound, are seen on the board, go out packed and are taken back', async ({
  page,
}) => {
  const text = file();
  const { studio } = JSON.parse(text) as { studio: { events: { id: string }[] } };
  await openOwnStudio(page);
  await goTo(page, 'Files');
  await choose(page, 'years.oakrungs.json', text);
  await expect(page.getByText(`years.oakrungs.json was brought in: 6 pieces, 12 students, 6000 records`)).toBeVisible({
    timeout: 60_000,
  });
  expect(await storedRows(page, 'events')).toEqual([]);
  const volumes = await storedRows(page, 'volumes');
  const bound = volumes.flatMap((v) => v['records'] as { id: string }[]);
  const ids = (list: readonly { readonly id: string }[]): string[] => list.map((e) => e.id).sort();
  expect(ids(bound)).toEqual(ids(studio.events));

  const downloading = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save the studio file' }).click();
  const download = await downloading;
  expect(download.suggestedFilename()).toMatch(/\.oakrungs\.json\.gz$/);
  const saved = JSON.parse(unpacked(await download.path())) as { studio: { events: { id: string }[] } };
  expect(ids(saved.studio.events)).toEqual(ids(studio.events));

  await goTo(page, 'Board');
  const standings = await storedStandings(page);
  const [first] = standings.filter((s) => s['studentId'] === 'st0' && s['level'] !== null);
  expect(first).toBeDefined();
  await expect(
    page
      .getByRole('gridcell')
      .getByRole('button', { name: /^Student 1, Made-up piece .*on average/ })
      .first(),
  ).toBeVisible();

  await page.keyboard.press('Control+z');
  await expect(page.getByText('Undone: years.oakrungs.json brought in')).toBeVisible({ timeout: 60_000 });
  for (const table of ['volumes', 'works', 'glances', 'students', 'pieces'])
    expect(await storedRows(page, table), table).toEqual([]);
});

test('a file that is stopped while it comes in leaves nothing; one that is cut off is refused', async ({ page }) => {
  await openOwnStudio(page);
  await goTo(page, 'Files');
  // Seven times the records: it is not over before the button is pressed.
  await choose(page, 'long.oakrungs.json', [...decadesAsText({ ...SIZE, records: 40_000 })].join(''));
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(
    page.getByText('long.oakrungs.json was not brought in: it was stopped. Nothing was changed.'),
  ).toBeVisible();
  for (const table of ['volumes', 'works', 'students']) expect(await storedRows(page, table), table).toEqual([]);
  await choose(page, 'cut.oakrungs.json', file().slice(0, -400));
  await expect(page.getByText(/cut\.oakrungs\.json is damaged or not a studio file/)).toBeVisible();
  expect(await storedRows(page, 'students')).toEqual([]);
});

/** Records of one student on one piece, by the hundred. */
const years: readonly StudioEvent[] = Array.from({ length: 2500 }, (_, i) => ({
  id: `e${i}`,
  at: new Date(Date.UTC(2016, 0, 4, 15) + i * 86_400_000).toISOString(),
  kind: 'level',
  studentId: 'hedda',
  pieceId: 'old',
  sectionId: `s${i % 3}`,
  level: (i % 5) as Level,
  proposed: null,
  tempo: null,
  note: '',
}));

/** The database as the version before kept it. */
async function putFormerStudio(page: Page): Promise<void> {
  const at = '2016-01-01T00:00:00.000Z';
  const rows = {
    pieces: [
      {
        id: 'old',
        title: 'An old piece',
        composer: '',
        format: 'abc',
        fileName: 'x.abc',
        source: '',
        encoding: 'utf-8',
        bom: false,
        original: 'X:1\nK:C\nCDEF|',
        instrument: 'piano',
        targetTempo: null,
        addedAt: at,
        updatedAt: at,
      },
    ],
    sections: [0, 1, 2].map((n) => ({
      id: `s${n}`,
      pieceId: 'old',
      name: '',
      letter: 'ABC'[n],
      fromBar: 'b1',
      toBar: 'b1',
      fromOffset: '0',
      toOffset: null,
      parentId: null,
      likeId: null,
      hand: 'all',
      order: n,
      updatedAt: at,
    })),
    students: [
      {
        id: 'hedda',
        name: 'Hedda',
        instrument: 'piano',
        age: '',
        handSpanInSemitones: null,
        breathSpanInSeconds: null,
        minutesPerDay: [0, 0, 0, 0, 0, 0, 0],
        order: 0,
        updatedAt: at,
      },
    ],
    events: years,
    standings: foldStandings(years),
  };
  await page.goto('/icon.svg');
  await page.evaluate(
    async ([tables, content]) => {
      const open = indexedDB.open('oak-rungs-own', 80);
      await new Promise<void>((resolve, reject) => {
        open.onerror = () => reject(open.error);
        open.onupgradeneeded = () => {
          for (const [table, description] of Object.entries(tables)) {
            const [key = '', ...indexes] = description.split(', ');
            const auto = key.startsWith('++');
            const store = open.result.createObjectStore(table, {
              keyPath: auto ? key.slice(2) : key,
              autoIncrement: auto,
            });
            for (const index of indexes)
              store.createIndex(index, index.startsWith('[') ? index.slice(1, -1).split('+') : index);
          }
        };
        open.onsuccess = () => resolve();
      });
      for (const [table, list] of Object.entries(content)) {
        const tx = open.result.transaction(table, 'readwrite');
        for (const row of list) tx.objectStore(table).put(row);
        await new Promise<void>((resolve) => (tx.oncomplete = () => resolve()));
      }
      open.result.close();
      localStorage.setItem('oak-rungs.studio', 'own');
    },
    [
      {
        pieces: 'id, title',
        sections: 'id, pieceId',
        marks: 'id, pieceId',
        ladders: 'id, sectionId, pieceId',
        ways: 'id, pieceId',
        templates: 'id, name',
        students: 'id, name, order',
        pages: 'id, pieceId',
        layouts: 'id, pieceId',
        settings: 'id',
        events: 'id, [studentId+kind], [pieceId+kind], [studentId+sectionId], target, corrects',
        removed: 'id, table',
        aside: 'id',
        damaged: 'id, table',
        standings: 'key, studentId, pieceId, sectionId, [studentId+pieceId]',
        changes: '++seq, undone',
        arrivals: '++seq, batch',
        drafts: 'key',
        notices: '++seq',
        engravings: 'key, usedAt',
      },
      rows,
    ] as const,
  );
}

test('a studio of the version before is brought up to date while it is used', async ({ page }) => {
  await putFormerStudio(page);
  await page.goto('/board?piece=old');
  const cell = page.getByRole('button', { name: /^Hedda, section A: level/ });
  await expect(cell).toBeVisible();
  await cell.focus();
  await page.keyboard.press('5');
  await expect(page.getByRole('button', { name: /^Hedda, section A: level 5, Secure/ })).toBeVisible();
  await expect(page.getByText('This studio is being brought up to date')).toHaveCount(0);
  await expect.poll(async () => (await storedRows(page, 'standings')).length).toBe(0);
  await expect.poll(async () => (await storedRows(page, 'volumes')).length).toBeGreaterThan(8);
  const bound = (await storedRows(page, 'volumes')).flatMap((v) => v['records'] as { id: string }[]);
  const loose = await storedRows(page, 'events');
  expect(new Set([...bound.map((r) => r.id), ...loose.map((r) => String(r['id']))]).size).toBe(2501);
  await page.reload();
  await expect(page.getByRole('button', { name: /^Hedda, section A: level 5, Secure/ })).toBeVisible();
});
