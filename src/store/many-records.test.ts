import Dexie from 'dexie';
import { beforeEach, describe, expect, it } from 'vitest';
import { correctRecord, recordLevel } from '@/core/commands';
import { foldStandings } from '@/core/mastery';
import { emptyStudio, recordsByPlace, type Level, type Student, type Studio, type StudioEvent } from '@/core/studio';
import { areStandingsLeft, bindRecords, isBindingNeeded } from './bind-records';
import { undoChange } from './change-log';
import { StudioDatabase } from './database';
import { countRecords, recordsById, recordsOfStudent } from './find-records';
import { putStudio } from './studio-data';
import { freshName, testStudio, type TestStudio } from './studio-for-tests';
import { everyRecord, everyStanding, readStudio } from './whole-for-tests';

const NOW = '2026-06-01T12:00:00.000Z';
const at = (n: number): string => new Date(Date.UTC(2020, 0, 1) + n * 3_600_000).toISOString();
const level = (n: number, studentId: string, pieceId: string, over: object = {}): StudioEvent => ({
  id: `level ${studentId} ${pieceId} ${n}`,
  at: at(n),
  kind: 'level',
  studentId,
  pieceId,
  sectionId: `${pieceId} section ${n % 3}`,
  level: (n % 6) as Level,
  proposed: null,
  tempo: null,
  note: '',
  ...over,
});
const takenBack = (n: number, target: string): StudioEvent => ({
  id: `word ${n}`,
  at: at(5000 + n),
  kind: 'retract',
  target,
});
const student = (id: string, order: number): Student => ({
  id,
  name: id,
  instrument: 'piano',
  age: '',
  handSpanInSemitones: null,
  breathSpanInSeconds: null,
  minutesPerDay: [0, 0, 0, 0, 0, 0, 0],
  order,
  updatedAt: at(0),
});

const STUDENTS = ['ada', 'ben', 'cleo'];
const PIECES = Array.from({ length: 110 }, (_, p) => `piece-${p}`);

/** More records than stay loose, in more places than a transaction has breath for; some taken back, some corrected. */
function manyRecords(): StudioEvent[] {
  const levels = STUDENTS.flatMap((s) => PIECES.flatMap((p) => Array.from({ length: 8 }, (_, n) => level(n, s, p))));
  return [
    ...levels,
    ...levels.flatMap((e, i) => (i % 97 === 0 ? [takenBack(i, e.id)] : [])),
    // Heard of another student than was put down.
    level(20, 'ben', 'piece-0', { id: 'moved', corrects: 'level ada piece-0 1' }),
    takenBack(9999, 'nobody knows'),
    {
      id: 'joined',
      at: at(30),
      kind: 'section-joined',
      pieceId: 'piece-1',
      sectionId: 'piece-1 section 0',
      into: 'piece-1 section 1',
    },
  ];
}
const studioOf = (events: readonly StudioEvent[]): Studio => ({
  ...emptyStudio(),
  students: STUDENTS.map(student),
  events: [...events],
});

const sorted = (list: readonly { readonly id: string }[]): unknown[] =>
  [...list].sort((a, b) => (a.id < b.id ? -1 : 1));
const folded = (events: readonly StudioEvent[]): unknown[] =>
  foldStandings(events).sort((a, b) => (a.key < b.key ? -1 : 1));

describe('many records that come with a file', () => {
  let studio: TestStudio;
  const events = manyRecords();
  beforeEach(async () => {
    studio = await testStudio();
    expect((await putStudio(studio.db, studioOf(events), 'file', NOW)).ok).toBe(true);
  });

  it('are bound, found, counted, and folded as all of them at once', async () => {
    const { db } = studio;
    expect(await db.events.count()).toBeLessThan(10);
    expect(await countRecords(db)).toBe(events.length);
    expect(sorted(await everyRecord(db))).toEqual(sorted(events));
    expect(await everyStanding(db)).toEqual(folded(events));
    const ada = await recordsOfStudent(db, 'ada');
    expect(ada.filter((r) => r.kind === 'level' && r.studentId === 'ada')).toHaveLength(PIECES.length * 8);
    // With what takes them back, and what stands in for one of them though it is of another student.
    expect(ada.filter((r) => r.kind === 'retract').length).toBeGreaterThan(5);
    expect(ada.map((r) => r.id)).toContain('moved');
    expect((await recordsById(db, ['moved', 'level cleo piece-9 3', 'nothing'])).map((r) => r.id).sort()).toEqual([
      'level cleo piece-9 3',
      'moved',
    ]);
  });
  it('are taken back as one, and a second time they are nothing new', async () => {
    const { db } = studio;
    const again = await putStudio(db, studioOf(events), 'again', NOW);
    expect(again).toMatchObject({ ok: true, value: { newRecords: 0, conflicts: [] } });
    expect(await studio.undo()).toBe('again');
    expect(sorted(await everyRecord(db))).toEqual(sorted(events));
    expect(await studio.undo()).toBe('file');
    expect([await everyRecord(db), await everyStanding(db), await db.glances.count()]).toEqual([[], [], 0]);
    expect(await studio.redo()).toBe('file');
    expect(sorted(await everyRecord(db))).toEqual(sorted(events));
    expect(await everyStanding(db)).toEqual(folded(events));
  });
  it('meet others under the same ids: the later one stands wherever it lies, the other is set aside', async () => {
    const { db } = studio;
    const other = level(3, 'cleo', 'piece-9', { level: 5, at: at(4000) });
    const elsewhere = level(4, 'cleo', 'piece-9', { studentId: 'ben', at: at(4001) });
    const put = await putStudio(db, studioOf([other, elsewhere]), 'other', NOW);
    expect(put).toMatchObject({
      ok: true,
      value: { newRecords: 0, conflicts: [{ kind: 'record' }, { kind: 'record' }] },
    });
    const now = events.map((e) => [other, elsewhere].find((o) => o.id === e.id) ?? e);
    expect(sorted(await everyRecord(db))).toEqual(sorted(now));
    expect(await everyStanding(db)).toEqual(folded(now));
    expect(await db.aside.count()).toBe(2);
    await studio.undo();
    expect(sorted(await everyRecord(db))).toEqual(sorted(events));
    expect(await everyStanding(db)).toEqual(folded(events));
  });
  it('go on being recorded, corrected and taken back', async () => {
    const { db } = studio;
    await db.sections.add({
      id: 'piece-9 section 0',
      pieceId: 'piece-9',
      name: '',
      letter: 'A',
      fromBar: 'b1',
      toBar: 'b2',
      fromOffset: '0',
      toOffset: null,
      parentId: null,
      likeId: null,
      hand: 'all',
      order: 0,
      updatedAt: at(0),
    });
    const heard = {
      lessonId: null,
      outside: true,
      proposed: null,
      tempo: null,
      note: '',
      facets: null,
      errors: [],
      signs: {},
    };
    await studio.does(recordLevel, { ...heard, studentId: 'cleo', sectionId: 'piece-9 section 0', level: 4 });
    await studio.does(correctRecord, { recordId: 'level cleo piece-9 0', correction: { level: 2 } });
    expect(await everyStanding(db)).toEqual(folded(await everyRecord(db)));
    await studio.undo();
    await studio.undo();
    expect((await everyStanding(db)).map((s) => [s.key, s.level])).toEqual(
      foldStandings(events)
        .sort((a, b) => (a.key < b.key ? -1 : 1))
        .map((s) => [s.key, s.level]),
    );
  });
});

describe('a file whose storing fails at the end', () => {
  it('leaves nothing of itself', async () => {
    const { db } = await testStudio();
    db.changes.hook('creating', () => {
      throw Object.assign(new Error('no room'), { name: 'QuotaExceededError' });
    });
    const put = await putStudio(db, studioOf(manyRecords()), 'file', NOW);
    expect(put).toMatchObject({ ok: false });
    expect(
      await Promise.all([db.students, db.volumes, db.contents, db.works, db.arrivals].map((t) => t.count())),
    ).toEqual([0, 0, 0, 0, 0]);
  });
});

describe('a studio of the version before, with many loose records', () => {
  const events = manyRecords();
  const BEFORE = {
    events: 'id, [studentId+kind], [pieceId+kind], [studentId+sectionId], target, corrects',
    standings: 'key, studentId, pieceId, sectionId, [studentId+pieceId]',
    students: 'id, name, order',
    settings: 'id',
  };
  async function before(): Promise<StudioDatabase> {
    const name = freshName();
    const old = new Dexie(name);
    old.version(8).stores(BEFORE);
    await old.open();
    await old.table('events').bulkAdd(events);
    await old.table('standings').bulkAdd(foldStandings(events));
    await old.table('students').bulkAdd(STUDENTS.map(student));
    // What does not hold what it should stays as it is.
    await old.table('events').add({ id: 'broken', kind: 'level', studentId: 'ada', level: 'high' });
    old.close();
    const db = new StudioDatabase(name);
    await db.open();
    return db;
  }
  it('is brought up to date in steps: the same records, standings and damaged rows', async () => {
    const db = await before();
    expect(await isBindingNeeded(db)).toBe(true);
    const shares: number[] = [];
    await bindRecords(db, (share) => shares.push(share));
    expect(shares).toEqual([...shares].sort((a, b) => a - b));
    expect(shares.at(-1)).toBe(1);
    expect(await areStandingsLeft(db)).toBe(false);
    expect(await isBindingNeeded(db)).toBe(false);
    expect(await everyStanding(db)).toEqual(folded(events));
    const out = await readStudio(db);
    expect(sorted(out.events)).toEqual(sorted(events));
    expect(out.damaged.map((d) => (d.row as { id: string }).id)).toEqual(['broken']);
    expect(await countRecords(db)).toBe(events.length + 1);
  });
  it('is used meanwhile, and goes on where it was broken off', async () => {
    const db = await before();
    let steps = 0;
    const breaksOff = bindRecords(db, () => {
      steps += 1;
      if (steps === 5) throw new Error('the page was left');
    });
    await expect(breaksOff).rejects.toThrow('the page was left');
    // Half of it is bound; all of it is there.
    expect((await recordsOfStudent(db, 'cleo')).length).toBeGreaterThan(PIECES.length * 8);
    expect(sorted((await readStudio(db)).events)).toEqual(sorted(events));
    await undoChange(db, NOW, () => 'w');
    await bindRecords(db, () => undefined);
    await bindRecords(db, () => undefined);
    expect(sorted((await readStudio(db)).events)).toEqual(sorted(events));
    expect(await everyStanding(db)).toEqual(folded(events));
    expect((await everyRecord(db)).length).toBe(await countRecords(db));
  });
});

describe('records by where they lie', () => {
  it('are as many as there are, and doubles stand aside', () => {
    const events = manyRecords();
    const { count, places, words, doubles } = recordsByPlace([...events, ...events.slice(0, 3)]);
    expect(count).toBe(events.length);
    expect(places.reduce((sum, p) => sum + p.texts.length, 0) + words.length).toBe(events.length);
    expect(doubles).toEqual(events.slice(0, 3));
  });
});
