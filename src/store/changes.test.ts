import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, it } from 'vitest';
import { foldEvents, standingKey } from '@/core/mastery';
import type { Mark, StudioEvent } from '@/core/studio';
import { buildDemoStudio } from '@/demo';
import { commitChange, eventAdded, redoChange, rowChange, undoChange } from './changes';
import { StudioDatabase } from './database';
import { putStudio, readStudio } from './studio-data';

const AT = '2026-05-20T15:00:00.000Z';
let db: StudioDatabase;
let count = 0;
const newId = (): string => `id-${(count += 1)}`;
const finger = (digit: string): Mark => ({
  id: 'm',
  pieceId: 'p',
  studentId: null,
  source: 'teacher',
  updatedAt: AT,
  kind: 'finger',
  noteId: 'n',
  finger: digit,
});

beforeEach(async () => {
  db = new StudioDatabase(`test-${newId()}`);
  await db.open();
});

describe('changes', () => {
  it('are undone and redone one by one, across a reopened database', async () => {
    await commitChange(db, 'one', [rowChange('marks', null, finger('1'))], AT);
    await commitChange(db, 'two', [rowChange('marks', finger('1'), finger('2'))], AT);
    db.close();
    await db.open();
    expect(await undoChange(db, AT, newId)).toBe('two');
    expect(await db.marks.get('m')).toMatchObject({ finger: '1' });
    expect(await undoChange(db, AT, newId)).toBe('one');
    expect(await db.marks.count()).toBe(0);
    expect(await undoChange(db, AT, newId)).toBeNull();
    expect(await redoChange(db, AT, newId)).toBe('one');
    expect(await redoChange(db, AT, newId)).toBe('two');
    expect(await db.marks.get('m')).toMatchObject({ finger: '2' });
  });

  it('after an undo a new change closes the way forward', async () => {
    await commitChange(db, 'one', [rowChange('marks', null, finger('1'))], AT);
    await undoChange(db, AT, newId);
    await commitChange(db, 'three', [rowChange('marks', null, finger('3'))], AT);
    expect(await redoChange(db, AT, newId)).toBeNull();
  });

  it('made from what was on screen a moment ago change only what they are about', async () => {
    await commitChange(db, 'one', [rowChange('marks', null, finger('1'))], AT);
    const seen = finger('1');
    await commitChange(db, 'string', [rowChange('marks', seen, { ...seen, string: 2 } as Mark)], AT);
    await commitChange(db, 'finger', [rowChange('marks', seen, finger('3'))], AT);
    expect(await db.marks.get('m')).toMatchObject({ finger: '3', string: 2 });
    await undoChange(db, AT, newId);
    expect(await db.marks.get('m')).toMatchObject({ finger: '1', string: 2 });
  });

  it('never remove a record: undo adds an event that takes it back', async () => {
    const event: StudioEvent = {
      id: 'e',
      at: AT,
      kind: 'level',
      studentId: 's',
      pieceId: 'p',
      sectionId: 'a',
      level: 3,
      proposed: null,
      tempo: null,
      note: '',
    };
    await commitChange(db, 'level', [eventAdded(event)], AT);
    await undoChange(db, '2026-05-20T15:00:01.000Z', newId);
    expect(await db.events.get('e')).toEqual(event);
    expect(foldEvents(await db.events.toArray()).standings.has(standingKey('s', 'a'))).toBe(false);
    await redoChange(db, '2026-05-20T15:00:02.000Z', newId);
    expect(foldEvents(await db.events.toArray()).standings.get(standingKey('s', 'a'))?.level).toBe(3);
  });
});

describe('a whole studio', () => {
  it('comes out of the database as it went in', async () => {
    const studio = buildDemoStudio(new Date(AT));
    await putStudio(db, studio);
    const sorted = <T extends { id: string }>(rows: readonly T[]): T[] => [...rows].sort((a, b) => (a.id < b.id ? -1 : 1));
    const out = await readStudio(db);
    expect(out.events).toEqual(sorted(studio.events));
    expect(out.pieces).toEqual(sorted(studio.pieces));
    expect(out.ladders).toEqual(sorted(studio.ladders));
  });
  it('keeps the newer of two rows and all records', async () => {
    const studio = buildDemoStudio(new Date(AT));
    await putStudio(db, studio);
    const [student] = studio.students;
    if (!student) throw new Error('no student');
    await db.students.put({ ...student, name: 'Newer', updatedAt: '2027-01-01T00:00:00.000Z' });
    await putStudio(db, studio);
    expect((await db.students.get(student.id))?.name).toBe('Newer');
    expect(await db.events.count()).toBe(studio.events.length);
  });
});
