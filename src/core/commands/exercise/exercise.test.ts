import { describe, expect, it } from 'vitest';
import { teachingFor, type Ladder, type Piece, type Section, type StudioEvent } from '../../studio';
import { does, nothing, piece, puts, refusal, runOn, student } from '../stored-for-tests';
import { giveWeek, type Week } from '../week/give-week';
import { addExercise } from './add-exercise';
import { idsOf, type NewExercise } from './exercise-rows';

const D_MAJOR: NewExercise = {
  exercise: { figure: 'scale', tonic: 'D', mode: 'major', octaves: 1 },
  instrument: 'piano',
  level: 'beginner',
  teaching: teachingFor(),
};
const ids = idsOf(D_MAJOR);
const add = (stored: object, args: object = {}) =>
  runOn(addExercise, { ...nothing, ...stored }, { ...D_MAJOR, studentId: null, ...args });

describe('an exercise of its own', () => {
  it('has music, one section and a ladder that begins with its notes and ends by heart', () => {
    const done = does(addExercise, nothing, { ...D_MAJOR, studentId: null });
    expect(puts(done, 'pieces')).toMatchObject([{ id: ids.pieceId, title: 'Scale of D major, one octave' }]);
    expect(puts(done, 'sections')).toMatchObject([{ id: ids.sectionId, pieceId: ids.pieceId }]);
    const [ladder] = puts(done, 'ladders') as unknown as Ladder[];
    const kinds = (ladder?.rungs ?? []).map((r) => r.kind);
    expect(kinds).toEqual([
      'play-and-say',
      'right-alone',
      'left-alone',
      'together',
      'articulation',
      'dynamics',
      'tempo',
      'eyes',
      'memory',
    ]);
    expect(ladder?.rungs[0]?.what).toContain('D E F♯ G A B C♯');
    expect(ladder?.rungs.find((r) => r.kind === 'tempo')?.tempoTo).toBe(72);
  });
  it('is made for the instrument: bows for a violin, long tones for a flute, no hands', () => {
    const rungs = (instrument: 'violin' | 'flute') =>
      (
        puts(does(addExercise, nothing, { ...D_MAJOR, instrument, studentId: null }), 'ladders') as unknown as Ladder[]
      )[0]?.rungs ?? [];
    expect(rungs('violin').map((r) => r.what)).toContain('A whole bow to each note, in tune before the next');
    expect(rungs('flute').map((r) => r.what)).toContain('Each note as a long tone of four counts');
    expect([...rungs('violin'), ...rungs('flute')].filter((r) => r.hands !== '')).toEqual([]);
  });
  it('comes before the pieces of a student, is there once, and is refused where it does not fit', () => {
    const first = does(
      addExercise,
      { ...nothing, students: [student('s', { pieceIds: ['p'] })] },
      { ...D_MAJOR, studentId: 's' },
    );
    expect(puts(first, 'students')).toMatchObject([{ pieceIds: [ids.pieceId, 'p'] }]);
    // Who never had pieces put down goes on with those that were met.
    const heard = [
      { id: 'e', at: '2026-05-20T15:00:00.000Z', kind: 'level', studentId: 's', pieceId: 'p', sectionId: 'a' },
    ] as unknown as StudioEvent[];
    const met = does(
      addExercise,
      { ...nothing, students: [student('s')], events: heard },
      { ...D_MAJOR, studentId: 's' },
    );
    expect(puts(met, 'students')).toMatchObject([{ pieceIds: [ids.pieceId, 'p'] }]);
    const there = { pieces: [piece({ id: ids.pieceId })], students: [student('s', { pieceIds: [ids.pieceId] })] };
    expect(refusal(add(there, { studentId: 's' }))).toBe('exercise-there');
    expect(refusal(add({}, { studentId: 'gone' }))).toBe('gone');
    const wide = { ...D_MAJOR.exercise, octaves: 4 };
    expect(refusal(add({}, { exercise: wide, instrument: 'trumpet' }))).toBe('exercise-too-wide');
  });
});

describe('a week that begins an exercise', () => {
  const item: Week['items'][number] = {
    id: 'technique',
    kind: 'technique',
    ...ids,
    what: 'Scale of D major',
    tempo: null,
    minutes: 2,
    days: [0, 1],
    timesADay: 2,
    by: 'lesson',
    cue: '',
    why: '',
  };
  const proposed: Week = { items: [item], leftOut: [], cue: '', minutesAvailable: 60 };
  const give = (stored: object, edit: Parameters<typeof giveWeek.run>[1]['edit']) =>
    does(
      giveWeek,
      { ...nothing, students: [student('s', { pieceIds: ['p'] })], ...stored },
      { studentId: 's', lessonId: null, proposed, edit, exercises: [D_MAJOR] },
    );
  it('makes it with the week, in one step', () => {
    const done = give({}, { kind: 'give' });
    expect((puts(done, 'pieces') as unknown as Piece[]).map((p) => p.id)).toEqual([ids.pieceId]);
    expect((puts(done, 'sections') as unknown as Section[]).map((s) => s.id)).toEqual([ids.sectionId]);
    expect(puts(done, 'students')).toMatchObject([{ pieceIds: [ids.pieceId, 'p'] }]);
    expect(done.records?.some((r) => r.kind === 'assignment')).toBe(true);
  });
  it('takes the one there is, and makes none that was taken out of the week', () => {
    expect(puts(give({ pieces: [piece({ id: ids.pieceId })] }, { kind: 'give' }), 'pieces')).toEqual([]);
    const without = give({}, { kind: 'remove', id: 'technique' });
    expect([puts(without, 'pieces'), puts(without, 'students')]).toEqual([[], []]);
  });
});
