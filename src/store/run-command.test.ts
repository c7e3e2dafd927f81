import Dexie from 'dexie';
import { beforeEach, describe, expect, it } from 'vitest';
import {
  addStudent,
  carryToCopies,
  changeRungs,
  buildLadders,
  changeSettings,
  changeStudent,
  giveWeek,
  makeSection,
  putMarks,
  recordLevel,
  setFingers,
  takeMarks,
  type Week,
} from '@/core/commands';
import { standingKey } from '@/core/mastery';
import { teachingFor, type Assigned, type NewMark } from '@/core/studio';
import { noteBackup } from './studio-data';
import { testStudio, withPiece, type TestStudio } from './studio-for-tests';
import { everyStanding, readStudio } from './whole-for-tests';

let studio: TestStudio;
beforeEach(async () => {
  studio = await testStudio();
});

const heard = { lessonId: null, proposed: null, tempo: null, note: '', facets: null, errors: [], signs: {} };
const task = (what: string): Assigned => ({
  id: what.slice(0, 20),
  kind: 'own',
  pieceId: null,
  sectionId: null,
  what,
  tempo: null,
  minutes: 5,
  days: [0],
  timesADay: 1,
  by: '',
  cue: '',
  why: '',
});

describe('a change', () => {
  it('has the time at which its turn comes, not that of the key: of two tabs the second finds the lesson of the first', async () => {
    const { made: studentId = '' } = await studio.does(addStudent, { name: 'Wren', instrument: 'piano' });
    const { pieceId, score } = await withPiece(studio);
    const { made: sectionId = '' } = await studio.does(makeSection, { pieceId, score, bars: [0, 3] });
    const recorded = { ...heard, studentId, sectionId, level: 2 as const };
    studio.clock.now = '2026-05-20T16:00:00.000Z';
    let waiting: Promise<unknown> = Promise.resolve();
    // Another tab has the store; this one's key is pressed meanwhile.
    await studio.db.transaction('rw', studio.db.tables, async () => {
      waiting = Dexie.ignoreTransaction(() => studio.does(recordLevel, recorded));
      await studio.db.settings.toArray();
      studio.clock.now = '2026-05-20T16:00:05.000Z';
    });
    await waiting;
    const [level] = (await studio.db.events.toArray()).filter((e) => e.kind === 'level');
    expect(level?.at).toBe('2026-05-20T16:00:05.000Z');
  });

  it('is undone and redone one by one, across a reopened database', async () => {
    const { pieceId, score } = await withPiece(studio);
    const note = score.notes[0]?.id ?? '';
    const set = (finger: string) =>
      studio.does(setFingers, {
        pieceId,
        score,
        variant: 'full',
        fingers: [{ noteId: note, finger: { finger } }],
        label: finger,
      });
    await set('1');
    await set('2');
    studio.db.close();
    await studio.db.open();
    expect(await studio.undo()).toBe('2');
    expect(await studio.db.marks.toArray()).toMatchObject([{ finger: '1' }]);
    expect(await studio.undo()).toBe('1');
    expect(await studio.db.marks.count()).toBe(0);
    expect(await studio.redo()).toBe('1');
    expect(await studio.redo()).toBe('2');
    expect(await studio.db.marks.toArray()).toMatchObject([{ finger: '2' }]);
    expect(await studio.redo()).toBeNull();
  });

  it('closes the way forward once something new is done', async () => {
    await studio.does(addStudent, { name: 'Wren', instrument: 'piano' });
    await studio.undo();
    await studio.does(addStudent, { name: 'Imke', instrument: 'viola' });
    expect(await studio.redo()).toBeNull();
    expect((await studio.db.students.toArray()).map((s) => s.name)).toEqual(['Imke']);
  });

  it('that changes nothing leaves no entry in the log', async () => {
    const { made = '' } = await studio.does(addStudent, { name: 'Wren', instrument: 'piano' });
    await studio.does(changeStudent, { studentId: made, change: { name: 'Wren' }, label: 'nothing' });
    expect(await studio.undo()).toBe('Wren added');
  });

  it('carries a later time than what it changes, though the clock was set back', async () => {
    const { made = '' } = await studio.does(addStudent, { name: 'Wren', instrument: 'piano' });
    studio.clock.now = '2020-01-01T00:00:00.000Z';
    await studio.does(changeStudent, { studentId: made, change: { age: '8' }, label: 'age' });
    const row = await studio.db.students.get(made);
    expect((row?.touched?.['age'] ?? '') > (row?.touched?.['id'] ?? '')).toBe(true);
    expect(row?.updatedAt).toBe('2026-05-20T15:00:00.000Z+0001');
  });

  it('of what is gone is refused in a sentence, and changes nothing', async () => {
    const before = await readStudio(studio.db);
    const refused = await studio.run(changeStudent, { studentId: 'nobody', change: { age: '8' }, label: 'age' });
    expect(refused).toMatchObject({ ok: false, issue: { code: 'gone' } });
    expect(await readStudio(studio.db)).toEqual(before);
  });

  it('that does not hold what it should is refused before it is written', async () => {
    const { pieceId } = await withPiece(studio);
    const cue: NewMark = {
      kind: 'cue',
      pieceId,
      studentId: null,
      source: 'teacher',
      noteId: 'n',
      text: 'x'.repeat(501),
    };
    const refused = await studio.run(putMarks, { marks: [cue], label: 'cue' });
    expect(refused).toMatchObject({ ok: false, issue: { code: 'not-kept' } });
    expect(refused.ok ? '' : refused.issue.message).toContain('text');
    expect(await studio.db.marks.count()).toBe(0);
  });

  it('of two quick edits of one row keeps both', async () => {
    const { made = '' } = await studio.does(addStudent, { name: 'Wren', instrument: 'piano' });
    await Promise.all([
      studio.does(changeStudent, { studentId: made, change: { minutesOn: [0, 5] }, label: 'a' }),
      studio.does(changeStudent, { studentId: made, change: { minutesOn: [1, 7] }, label: 'b' }),
    ]);
    expect((await studio.db.students.get(made))?.minutesPerDay.slice(0, 3)).toEqual([5, 7, 20]);
  });
});

describe('one place holds one mark', () => {
  it('however quickly two digits are pressed', async () => {
    const { pieceId, score } = await withPiece(studio);
    const noteId = score.notes[0]?.id ?? '';
    await Promise.all(
      ['1', '2', '3'].map((finger) =>
        studio.does(setFingers, {
          pieceId,
          score,
          variant: 'full',
          fingers: [{ noteId, finger: { finger } }],
          label: finger,
        }),
      ),
    );
    expect(await studio.db.marks.toArray()).toMatchObject([{ finger: '3' }]);
  });
  it('and a variant, a reading, a student have places of their own', async () => {
    const { pieceId, score } = await withPiece(studio);
    const noteId = score.notes[0]?.id ?? '';
    const base = { pieceId, studentId: null, source: 'teacher' as const, noteId };
    for (const variant of ['full', 'simple'])
      await studio.does(setFingers, {
        pieceId,
        score,
        variant,
        fingers: [{ noteId, finger: { finger: '1' } }],
        label: variant,
      });
    await studio.does(putMarks, {
      label: 'all',
      marks: [
        { ...base, kind: 'phrase', sign: '.' },
        { ...base, kind: 'phrase', sign: '?', reading: 'second' },
        { ...base, kind: 'cue', text: 'all' },
        { ...base, kind: 'cue', text: 'one', studentId: 's' },
      ],
    });
    expect(await studio.db.marks.count()).toBe(6);
  });
  it('and what was taken away comes back by being set again', async () => {
    const { pieceId } = await withPiece(studio);
    const mark: NewMark = { kind: 'dynamic', pieceId, studentId: null, source: 'teacher', noteId: 'n', level: 'f' };
    await studio.does(putMarks, { marks: [mark], label: 'f' });
    await studio.does(takeMarks, { marks: [mark], label: 'gone' });
    expect(await studio.db.removed.count()).toBe(1);
    await studio.does(putMarks, { marks: [{ ...mark, level: 'p' }], label: 'p' });
    expect(await studio.db.marks.toArray()).toMatchObject([{ level: 'p' }]);
    expect((await readStudio(studio.db)).removed).toMatchObject([{ row: null }]);
  });
});

describe('what the studio may hold', () => {
  it('a week that leaves out more than a hundred things, with long texts, is given and exported', async () => {
    const { made: studentId = '' } = await studio.does(addStudent, { name: 'Wren', instrument: 'piano' });
    const proposed: Week = {
      items: [task('x'.repeat(3000))],
      leftOut: Array.from({ length: 6000 }, (_, i) => ({ what: `bars ${i}`, minutes: 1 })),
      cue: 'c'.repeat(900),
      minutesAvailable: 100,
    };
    await studio.does(giveWeek, { studentId, lessonId: null, proposed, edit: { kind: 'give' } });
    const { events, damaged } = await readStudio(studio.db);
    expect(damaged).toEqual([]);
    const week = events.find((e) => e.kind === 'assignment');
    if (week?.kind !== 'assignment') throw new Error('no week');
    expect(week.leftOut[week.leftOut.length - 1]?.what).toBe('and 1001 more');
    expect(week.leftOut.reduce((sum, l) => sum + l.minutes, 0)).toBe(6000);
    expect(week.items[0]?.what.endsWith('…')).toBe(true);
  });
  it('an export never fails: a row that is damaged goes into the file as it is', async () => {
    await withPiece(studio);
    await studio.db.table('students').put({ id: 'broken', name: 7 });
    await studio.db.table('events').put({ id: 'e', at: 'yesterday', kind: 'level', studentId: 's', sectionId: 'a' });
    const out = await readStudio(studio.db);
    expect(out.pieces).toHaveLength(1);
    expect(out.damaged.map((d) => [d.table, d.row])).toEqual(
      expect.arrayContaining([
        ['students', { id: 'broken', name: 7 }],
        ['events', { id: 'e', at: 'yesterday', kind: 'level', studentId: 's', sectionId: 'a' }],
      ]),
    );
  });
  it('undo never resets what is written beside the log', async () => {
    await studio.does(changeSettings, { change: { name: 'Harbour rooms' }, label: 'name' });
    await noteBackup(studio.db, '2026-05-21T08:00:00.000Z');
    await studio.does(changeSettings, { change: { name: 'Other rooms' }, label: 'name' });
    await studio.undo();
    expect(await studio.db.settings.get('studio')).toMatchObject({
      name: 'Harbour rooms',
      lastBackupAt: '2026-05-21T08:00:00.000Z',
    });
  });
});

describe('records', () => {
  it('are never removed: undo adds a word that takes them back, later than every word before it', async () => {
    const { pieceId, score } = await withPiece(studio);
    const { made: studentId = '' } = await studio.does(addStudent, { name: 'Wren', instrument: 'piano' });
    const { made: sectionId = '' } = await studio.does(makeSection, { pieceId, score, bars: [0, 3] });
    await studio.does(recordLevel, { ...heard, studentId, sectionId, level: 3 });
    await studio.undo();
    expect(await everyStanding(studio.db)).toEqual([]);
    // The clock is set back: the word that lets it stand again still counts as the later one.
    studio.clock.now = '2020-01-01T00:00:00.000Z';
    await studio.redo();
    expect((await everyStanding(studio.db)).map((s) => [s.key, s.level])).toEqual([
      [standingKey(studentId, sectionId), 3],
    ]);
    expect((await studio.db.events.toArray()).map((e) => e.kind).sort()).toEqual([
      'lesson',
      'level',
      'restore',
      'restore',
      'retract',
      'retract',
    ]);
  });
  it('need something that was heard', async () => {
    const { pieceId, score } = await withPiece(studio);
    const { made: studentId = '' } = await studio.does(addStudent, { name: 'Wren', instrument: 'piano' });
    const { made: sectionId = '' } = await studio.does(makeSection, { pieceId, score, bars: [0, 3] });
    expect(await studio.run(recordLevel, { ...heard, studentId, sectionId, level: null, proposed: 4 })).toMatchObject({
      ok: false,
      issue: { code: 'nothing-heard' },
    });
    expect(await studio.db.events.count()).toBe(0);
  });
  it('of two tabs at once are of one lesson', async () => {
    const { pieceId, score } = await withPiece(studio);
    const { made: studentId = '' } = await studio.does(addStudent, { name: 'Wren', instrument: 'piano' });
    const { made: a = '' } = await studio.does(makeSection, { pieceId, score, bars: [0, 3] });
    const { made: b = '' } = await studio.does(makeSection, { pieceId, score, bars: [4, 7] });
    await Promise.all(
      [a, b].map((sectionId) => studio.does(recordLevel, { ...heard, studentId, sectionId, level: 2 })),
    );
    const events = await studio.db.events.toArray();
    expect(events.filter((e) => e.kind === 'lesson')).toHaveLength(1);
    expect(new Set(events.flatMap((e) => (e.kind === 'level' ? [e.lessonId] : []))).size).toBe(1);
  });
});

describe('a finger that changes after practice', () => {
  it('is remembered by the note, wherever the screen is, with who practised it', async () => {
    const { pieceId, score } = await withPiece(studio);
    const noteId = score.notes[5]?.id ?? '';
    const { made: studentId = '' } = await studio.does(addStudent, { name: 'Wren', instrument: 'piano' });
    const { made: sectionId = '' } = await studio.does(makeSection, { pieceId, score, bars: [0, 3] });
    const set = (finger: string, at = noteId) =>
      studio.does(setFingers, {
        pieceId,
        score,
        variant: 'full',
        fingers: [{ noteId: at, finger: { finger } }],
        label: finger,
      });
    await set('1');
    expect((await studio.db.events.toArray()).filter((e) => e.kind === 'fingering')).toEqual([]);
    await studio.does(recordLevel, { ...heard, studentId, sectionId, level: 2 });
    const done = await set('2');
    expect(done.warns).toContain('Wren');
    expect((await studio.db.events.toArray()).filter((e) => e.kind === 'fingering')).toMatchObject([
      { noteId, before: '1', after: '2' },
    ]);
    const outside = score.notes.find((n) => n.bar === 6)?.id ?? '';
    await set('1', outside);
    expect((await set('3', outside)).warns).toBeUndefined();
  });
});

describe('ladders', () => {
  it('are one a section, however often they are built, and two quick edits both count', async () => {
    const { pieceId, score } = await withPiece(studio);
    const { made: sectionId = '' } = await studio.does(makeSection, { pieceId, score, bars: [0, 3] });
    const setting = { score, teaching: teachingFor(), level: 'beginner' as const };
    await Promise.all([0, 1].map(() => studio.run(buildLadders, { ...setting, pieceId, sectionIds: [sectionId] })));
    const [ladder] = await studio.db.ladders.toArray();
    expect(await studio.db.ladders.count()).toBe(1);
    const ids = ladder?.rungs.map((r) => r.id) ?? [];
    await Promise.all(
      [0, 1].map((i) => studio.does(changeRungs, { pieceId, sectionId, edit: { kind: 'remove', id: ids[i] ?? '' } })),
    );
    const after = (await studio.db.ladders.toArray())[0];
    expect(after?.rungs.map((r) => r.id)).toEqual(ids.slice(2));
    expect(after?.removed).toHaveLength(2);
  });
});

describe('carrying marks', () => {
  it('says so when there is nothing to carry', async () => {
    const { pieceId, score } = await withPiece(studio);
    const { made: from = '' } = await studio.does(makeSection, { pieceId, score, bars: [0, 3] });
    expect(await studio.run(carryToCopies, { pieceId, score, from })).toMatchObject({
      ok: false,
      issue: { code: 'nothing-to-carry' },
    });
  });
});
