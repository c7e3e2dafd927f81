import Dexie from 'dexie';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { foldEvents, foldLessons, foldStandings } from '@/core/mastery';
import { readStudioFile, type StudioEvent } from '@/core/studio';
import { bindRecords } from './bind-records';
import { undoChange } from './change-log';
import { StudioDatabase } from './database';
import { putStudio } from './studio-data';
import { freshName } from './studio-for-tests';
import { everyRecord, everyStanding, readStudio } from './whole-for-tests';

const ZONE = 'America/Los_Angeles';
const file = (version: number): string => `tests/migrations/studio-v${version}.oakrungs.json`;
const textOf = (version: number): string => readFileSync(file(version), 'utf8');
type Lists = Record<string, Record<string, unknown>[]>;
const listsOf = (version: number): Lists => (JSON.parse(textOf(version)) as { studio: Lists }).studio;

/** What earlier versions had: their tables and indexes, as they wrote them. */
const VERSIONS: readonly Record<string, string>[] = [
  {
    pieces: 'id, title, updatedAt',
    sections: 'id, pieceId, updatedAt',
    marks: 'id, pieceId, [pieceId+kind], updatedAt',
    ladders: 'id, sectionId, pieceId',
    students: 'id, name, order',
    events: 'id, at, kind',
    pages: 'id, pieceId',
    settings: 'id',
    changes: '++seq, undone',
    engravings: 'key, usedAt',
  },
  {
    templates: 'id, name',
    events: 'id, at, [studentId+kind], [pieceId+kind], [studentId+sectionId], target',
    standings: 'key, studentId, pieceId, [studentId+pieceId]',
  },
  {
    pieces: 'id, title',
    sections: 'id, pieceId',
    marks: 'id, pieceId',
    pages: 'id, pieceId',
    events: 'id, [studentId+kind], [pieceId+kind], [studentId+sectionId], target, corrects',
    removed: 'id, table',
    aside: 'id',
    damaged: 'id, table',
    standings: 'key, studentId, pieceId, sectionId, [studentId+pieceId]',
    arrivals: '++seq, batch',
    drafts: 'key',
    notices: '++seq',
  },
  { ways: 'id, pieceId' },
  {},
  {},
  {},
];

async function oldDatabase(version: number, lists: Lists, changes: object[] = []): Promise<string> {
  const name = freshName();
  const old = new Dexie(name);
  VERSIONS.slice(0, version).forEach((stores, i) => old.version(i + 1).stores(stores));
  await old.open();
  for (const [table, rows] of Object.entries(lists)) await old.table(table).bulkPut(rows);
  await old.table('changes').bulkAdd(changes);
  old.close();
  return name;
}

async function opened(name: string): Promise<StudioDatabase> {
  const db = new StudioDatabase(name, ZONE);
  await db.open();
  return db;
}

/** What a kept thing says, without the fields that a migration may add or rename. */
const said = (row: Record<string, unknown>, ...without: readonly string[]): Record<string, unknown> =>
  Object.fromEntries(Object.entries(row).filter(([key]) => !['id', 'updatedAt', 'touched', ...without].includes(key)));
const sorted = (list: readonly unknown[]): string[] => list.map((x) => JSON.stringify(x)).sort();

/** What each row says, under its id. */
const byId = (rows: readonly object[]): Readonly<Record<string, unknown>> =>
  Object.fromEntries(rows.map((row) => [String((row as { id: unknown }).id), said(row as Record<string, unknown>)]));

describe.each([1, 2])('a studio of version %i', (version) => {
  const lists = listsOf(version);
  const bothWays = async (): Promise<StudioDatabase[]> => {
    const asDatabase = await opened(await oldDatabase(version, lists));
    const read = readStudioFile(textOf(version), file(version), ZONE);
    if (!read.ok) throw new Error(read.issue.message);
    const asFile = await opened(freshName());
    const put = await putStudio(asFile, read.value.studio, 'file', '2026-06-01T00:00:00.000Z');
    expect(put).toMatchObject({ ok: true, value: { conflicts: [] } });
    return [asDatabase, asFile];
  };
  it('comes to the same as a database and as a file', async () => {
    const [a, b] = await bothWays();
    if (!a || !b) throw new Error('not opened');
    expect(await readStudio(a)).toEqual(await readStudio(b));
  });
  it('keeps every piece, section, student, template, page and setting, one by one', async () => {
    for (const db of await bothWays())
      for (const table of ['pieces', 'sections', 'students', 'templates', 'pages', 'settings'])
        for (const before of lists[table] ?? []) {
          const after = (await db.table(table).get(String(before['id']))) as Record<string, unknown> | undefined;
          expect(after, `${table} ${String(before['id'])}`).toBeDefined();
          expect(said(after ?? {}, 'instrument', 'instrumentWords', 'zone')).toEqual(said(before, 'instrument'));
        }
  });
  it('keeps every mark that is the only one at its place, and every rung that was ticked', async () => {
    for (const db of await bothWays()) {
      const marks = sorted((await db.marks.toArray()).map((m) => said(m)));
      const missing = sorted((lists['marks'] ?? []).map((m) => said(m))).filter((m) => !marks.includes(m));
      // Of two fingers, and of two cues, at one note the later one stands.
      const gone = missing.map((m) => JSON.parse(m) as { kind: string; noteId: string; finger?: string });
      expect(gone.map((m) => `${m.kind} ${m.noteId} ${m.finger ?? ''}`)).toEqual(
        version === 2 ? ['cue p1-b1-n1 ', 'finger p1-b1-n1 3'] : [],
      );
      const ladders = await db.ladders.toArray();
      expect(new Set(ladders.map((l) => l.sectionId)).size).toBe(ladders.length);
      const rungs = new Set(ladders.flatMap((l) => l.rungs.map((r) => r.id)));
      expect((lists['events'] ?? []).filter((e) => e['kind'] === 'rung' && !rungs.has(String(e['rungId'])))).toEqual(
        [],
      );
    }
  });
  it('keeps every record, and the standings they come to', async () => {
    const before = lists['events'] as unknown as StudioEvent[];
    for (const db of await bothWays()) {
      await bindRecords(db, () => undefined);
      const after = await everyRecord(db);
      const ids = new Map(after.map((e) => [e.id, e]));
      for (const e of before) expect(said(ids.get(e.id) ?? {}, 'day')).toEqual(said(e, 'day'));
      const standings = new Map((await everyStanding(db)).map((s) => [s.key, s]));
      expect(standings.size).toBe(foldStandings(after).length);
      for (const [key, s] of foldEvents(before).standings) expect(standings.get(key)?.level).toBe(s.level);
      expect((await readStudio(db)).damaged).toEqual([]);
    }
  });
});

describe.each([3, 4, 5, 6, 7])('a studio of version %i', (version) => {
  const lists = listsOf(version);
  it('only gains what is new: all that was kept is as it was, as a database and as a file, and nothing is said', async () => {
    const name = await oldDatabase(version, lists);
    const asDatabase = await opened(name);
    const read = readStudioFile(textOf(version), file(version), ZONE);
    if (!read.ok) throw new Error(read.issue.message);
    expect(read.value.listed).toEqual([]);
    expect(await asDatabase.notices.count()).toBe(0);
    const kept = await readStudio(asDatabase);
    expect(kept).toEqual(read.value.studio);
    for (const table of ['pieces', 'sections', 'marks', 'ladders', 'ways', 'students', 'events'] as const)
      expect(byId(kept[table])).toEqual(byId(lists[table] ?? []));
  });
});

describe('a studio of version 2', () => {
  const lists = listsOf(2);
  it('has its days made anew where it is, and lessons that midnight cut in two joined; both are said', async () => {
    const db = await opened(await oldDatabase(2, lists));
    const events = await db.events.toArray();
    const evening = events.find((e) => e.kind === 'practice' && e.note === 'evening');
    // 19:30 on the 18th in Los Angeles; the day in UTC was the 19th.
    expect(evening).toMatchObject({ at: '2026-05-19T02:30:00.000Z', day: '2026-05-18' });
    const cut = events.find((e) => e.kind === 'level' && e.note === 'before midnight');
    if (cut?.kind !== 'level') throw new Error('no record');
    const lesson = foldLessons(events.filter((e) => !('studentId' in e) || e.studentId === cut.studentId)).find(
      (l) => l.id === cut.lessonId,
    );
    expect(lesson?.heard.map((e) => e.note)).toEqual(['before midnight', 'after midnight']);
    expect(lesson?.said).toBe('Count the rests.');
    const [notice] = await db.notices.toArray();
    expect(notice?.lines.join('\n')).toMatch(/cut in two at midnight[\s\S]*|practice logs stand on another day/);
    expect(notice?.lines.some((l) => l.includes('Two marks at one place: finger 2 stands, finger 3 does not.'))).toBe(
      true,
    );
    expect(notice?.lines.some((l) => l.includes('two ladders'))).toBe(true);
  });
  it('can still take back what was done before', async () => {
    const [before] = lists['marks'] ?? [];
    const row = {
      ...before,
      id: 'random-id',
      kind: 'finger',
      noteId: 'p1-b4-n1',
      finger: '1',
      pieceId: before?.['pieceId'],
    };
    const log = {
      at: '2026-05-20T15:00:00.000Z',
      label: 'finger 1',
      undone: 0,
      entries: [{ kind: 'row', table: 'marks', key: 'random-id', before: null, after: row }],
    };
    const db = await opened(await oldDatabase(2, { ...lists, marks: [...(lists['marks'] ?? []), row] }, [log]));
    const count = await db.marks.count();
    expect(await undoChange(db, '2026-06-01T00:00:00.000Z', () => 'w')).toBe('finger 1');
    expect(await db.marks.count()).toBe(count - 1);
  });
});

describe('a studio that could not be saved any more', () => {
  const lists = listsOf(2);
  const [ladder] = lists['ladders'] ?? [];
  const [given] = (lists['events'] ?? []).filter((e) => e['kind'] === 'assignment');
  const items = given?.['items'] as Record<string, unknown>[];
  const overLimits: Lists = {
    ...lists,
    ladders: [
      {
        ...ladder,
        rungs: Array.from({ length: 260 }, (_, i) => ({ ...(ladder?.['rungs'] as object[])[0], id: `r${i}` })),
      },
    ],
    events: [
      ...(lists['events'] ?? []),
      { ...given, id: 'many', leftOut: Array.from({ length: 150 }, (_, i) => ({ what: `bars ${i}`, minutes: 2 })) },
      { ...given, id: 'long', items: [{ ...items[0], what: 'w'.repeat(700) }] },
      { ...given, id: 'hopeless', items: 'none' },
    ],
  };
  it('is put right: what is legitimate holds now, what is not is kept as it is and said', async () => {
    const db = await opened(await oldDatabase(2, overLimits));
    const out = await readStudio(db);
    expect(out.events.filter((e) => ['many', 'long'].includes(e.id))).toHaveLength(2);
    expect(out.ladders[0]?.rungs).toHaveLength(260);
    expect(out.damaged.map((d) => (d.row as { id: string }).id)).toEqual(['hopeless']);
    expect((await db.notices.toArray())[0]?.lines.join(' ')).toContain('1 row');
  });
});
