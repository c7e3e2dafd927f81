import 'fake-indexeddb/auto';
import Dexie from 'dexie';
import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { foldEvents, foldStandings, standingKey } from '@/core/mastery';
import { readStudioFile, type Level, type Student, type StudioEvent } from '@/core/studio';
import { commitChange, eventAdded, redoChange, rowChange, undoChange } from './changes';
import { StudioDatabase } from './database';
import { putStudio, readStudio } from './studio-data';

const FILE = 'tests/migrations/studio-v1.oakrungs.json';
const text = readFileSync(FILE, 'utf8');
let count = 0;
const fresh = (): string => `db-${(count += 1)}`;
const newId = (): string => `id-${(count += 1)}`;

/** What the first version had: its tables and indexes, as it wrote them. */
const VERSION_1 = {
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
};

describe('a database of the first version', () => {
  it('opens with all its rows, and its records are folded', async () => {
    const stored = (JSON.parse(text) as { studio: Record<string, object[]> }).studio;
    const name = fresh();
    const old = new Dexie(name);
    old.version(1).stores(VERSION_1);
    await old.open();
    for (const [table, rows] of Object.entries(stored)) await old.table(table).bulkPut(rows);
    old.close();
    const db = new StudioDatabase(name);
    await db.open();
    for (const [table, rows] of Object.entries(stored)) expect(await db.table(table).count(), table).toBe(rows.length);
    const events = await db.events.toArray();
    expect(await db.standings.toArray()).toEqual(expect.arrayContaining(foldStandings(events)));
    const standings = foldEvents(events).standings;
    expect(standings.size).toBeGreaterThan(3);
    for (const [key, s] of standings) expect((await db.standings.get(key))?.level).toBe(s.level);
    expect((await readStudio(db)).templates).toEqual([]);
  });
  it('comes in as a file, too', async () => {
    const read = readStudioFile(text, FILE);
    if (!read.ok) throw new Error(read.issue.message);
    const db = new StudioDatabase(fresh());
    expect((await putStudio(db, read.value.studio)).conflicts).toEqual([]);
    expect(await db.events.count()).toBe(read.value.studio.events.length);
  });
});

const level = (id: string, n: number, to: number, section: string): StudioEvent => ({
  id,
  at: `2026-01-01T00:00:${String(n).padStart(2, '0')}.000Z`,
  kind: 'level',
  studentId: 's',
  pieceId: 'p',
  sectionId: section,
  level: to as Level,
  proposed: null,
  tempo: null,
  note: '',
});

describe('kept standings', () => {
  it('are the fold of all records, whatever was recorded, undone and done again', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.array(
          fc.record({ what: fc.constantFrom('level', 'level', 'undo', 'redo'), to: fc.integer({ min: 0, max: 5 }), section: fc.constantFrom('a', 'b') }),
          { maxLength: 12 },
        ),
        async (steps) => {
          const db = new StudioDatabase(fresh());
          await db.open();
          let n = 0;
          for (const s of steps) {
            n += 1;
            const now = `2026-01-01T00:00:${String(n).padStart(2, '0')}.000Z`;
            if (s.what === 'level') await commitChange(db, 'x', [eventAdded(level(newId(), n, s.to, s.section))], now);
            else if (s.what === 'undo') await undoChange(db, now, newId);
            else await redoChange(db, now, newId);
          }
          const byKey = (a: { key: string }, b: { key: string }): number => (a.key < b.key ? -1 : 1);
          expect((await db.standings.toArray()).sort(byKey)).toEqual(foldStandings(await db.events.toArray()).sort(byKey));
          db.close();
        },
      ),
      { numRuns: 25 },
    );
  });
});

describe('two devices', () => {
  const student: Student = {
    id: 's',
    name: 'Wren',
    instrument: 'piano',
    age: '7',
    handSpanInSemitones: null,
    breathSpanInSeconds: null,
    minutesPerDay: [0, 0, 0, 0, 0, 0, 0],
    order: 0,
    updatedAt: '2026-01-01T00:00:00.000Z',
  };
  it('merge to the union of their records and the newer word of every field, in either order', async () => {
    const start = new StudioDatabase(fresh());
    await start.open();
    await commitChange(start, 'new', [rowChange('students', null, student)], student.updatedAt);
    const base = await readStudio(start);
    const device = async (change: Partial<Student>, at: string, event: StudioEvent): Promise<StudioDatabase> => {
      const db = new StudioDatabase(fresh());
      await putStudio(db, base);
      await commitChange(db, 'edit', [rowChange('students', student, { ...student, ...change, updatedAt: at }), eventAdded(event)], at);
      return db;
    };
    const one = await device({ age: '8', name: 'Wren A' }, '2026-01-02T00:00:00.000Z', level('e1', 1, 2, 'a'));
    const two = await device({ instrument: 'organ', name: 'Wren B' }, '2026-01-03T00:00:00.000Z', level('e2', 2, 4, 'a'));
    const [a, b] = [await readStudio(one), await readStudio(two)];
    const merged = await putStudio(one, b);
    await putStudio(two, a);
    expect(await readStudio(one)).toEqual(await readStudio(two));
    expect(await one.students.get('s')).toMatchObject({ age: '8', instrument: 'organ', name: 'Wren B' });
    expect(merged.conflicts).toEqual([{ table: 'students', id: 's', field: 'name', kept: 'Wren B', lost: 'Wren A' }]);
    expect((await one.events.toArray()).map((e) => e.id).sort()).toEqual(['e1', 'e2']);
    expect((await one.standings.get(standingKey('s', 'a')))?.hearings).toHaveLength(2);
  });
});
