import { describe, expect, it } from 'vitest';
import type { StudioEvent } from '../studio';
import {
  currentAssignment,
  foldLessons,
  heldSinceEarlier,
  lessonGoingOn,
  practiceOf,
  sectionsAskedFor,
} from './lessons';

const lesson = (id: string, at: string, more: object = {}): StudioEvent => ({
  id,
  at,
  kind: 'lesson',
  studentId: 's',
  minutes: 30,
  ...more,
});
const said = (id: string, at: string, lessonId: string, text: string): StudioEvent => ({
  id,
  at,
  kind: 'said',
  studentId: 's',
  lessonId,
  text,
});
const heard = (id: string, at: string, lessonId?: string): StudioEvent => ({
  id,
  at,
  kind: 'level',
  studentId: 's',
  pieceId: 'p',
  sectionId: 'a',
  level: 2,
  proposed: null,
  tempo: null,
  note: '',
  ...(lessonId === undefined ? {} : { lessonId }),
});
const given = (id: string, at: string, lessonId: string | null): StudioEvent => ({
  id,
  at,
  kind: 'assignment',
  studentId: 's',
  lessonId,
  items: [],
  leftOut: [],
  cue: '',
  minutesAvailable: 60,
});
const joined = (id: string, lessonId: string, into: string): StudioEvent => ({
  id,
  at: '2026-05-30T00:00:00.000Z',
  kind: 'lesson-joined',
  studentId: 's',
  lessonId,
  into,
});
const practised = (id: string): StudioEvent => ({
  id,
  at: '2026-05-21T17:00:00.000Z',
  kind: 'practice',
  studentId: 's',
  pieceId: 'p',
  sectionId: null,
  day: '2026-05-21',
  minutes: 5,
  times: 2,
  tempo: null,
  note: '',
});

describe('a lesson', () => {
  const two = [lesson('L1', '2026-05-13T15:00:00.000Z'), lesson('L2', '2026-05-20T15:00:00.000Z', { missed: true })];
  it('has only what belongs to it', () => {
    const folded = foldLessons([
      ...two,
      heard('e1', '2026-05-13T15:05:00.000Z', 'L1'),
      heard('e2', '2026-05-20T15:05:00.000Z', 'L2'),
      heard('e3', '2026-05-20T15:06:00.000Z'),
      said('s1', '2026-05-13T15:06:00.000Z', 'L1', 'slow'),
      said('s2', '2026-05-20T15:06:00.000Z', 'L2', 'rest'),
      given('g1', '2026-05-13T15:20:00.000Z', 'L1'),
      given('g2', '2026-05-20T15:20:00.000Z', 'L2'),
      given('g3', '2026-05-21T15:20:00.000Z', null),
    ]);
    expect(folded).toMatchObject([
      { id: 'L2', missed: true, said: 'rest', assignment: { id: 'g2' } },
      { id: 'L1', missed: false, said: 'slow', assignment: { id: 'g1' } },
    ]);
    expect(folded.map((l) => l.heard.map((e) => e.id))).toEqual([['e2'], ['e1']]);
  });
  it('is one where its beginnings were joined, however many', () => {
    const folded = foldLessons([
      lesson('L1', '2026-05-13T15:00:00.000Z'),
      lesson('L1b', '2026-05-13T15:40:00.000Z'),
      lesson('L1c', '2026-05-13T16:00:00.000Z'),
      joined('j1', 'L1b', 'L1'),
      joined('j2', 'L1c', 'L1b'),
      heard('e', '2026-05-13T16:05:00.000Z', 'L1c'),
      said('s', '2026-05-13T16:06:00.000Z', 'L1b', 'well begun'),
      given('g', '2026-05-13T16:10:00.000Z', 'L1c'),
    ]);
    expect(folded).toMatchObject([{ id: 'L1', said: 'well begun', heard: [{ id: 'e' }], assignment: { id: 'g' } }]);
    expect(folded.length).toBe(1);
  });
  it('says nothing where nothing was said', () => expect(foldLessons(two)[0]?.said).toBe(''));
});

describe('the lesson that is going on', () => {
  const at = '2026-05-20T15:00:00.000Z';
  it('is one for three hours from its beginning', () => {
    expect(lessonGoingOn([{ at }], at)).toEqual({ at });
    expect(lessonGoingOn([{ at }], '2026-05-20T17:59:59.999Z')).toEqual({ at });
    expect(lessonGoingOn([{ at }], '2026-05-20T18:00:00.000Z')).toBeNull();
  });
  it('is none that has not begun, and none that was missed', () => {
    expect(lessonGoingOn([{ at }], '2026-05-20T14:59:59.000Z')).toBeNull();
    expect(lessonGoingOn([{ at, missed: true }], at)).toBeNull();
    expect(lessonGoingOn([{ at, missed: true }, { at: '2026-05-20T14:30:00.000Z' }], at)).toEqual({
      at: '2026-05-20T14:30:00.000Z',
    });
  });
});

describe('held since an earlier lesson', () => {
  const now = '2026-05-20T16:00:00.000Z';
  const current = (lessonId: string | null, zone = 'UTC') => ({ lessonId, now, zone });
  const hearing = (at: string, level: 3 | 4 | 5, lessonId: string | null = null) =>
    [[at, level, null, lessonId]] as const;
  it('asks for level 4 in another lesson', () => {
    expect(heldSinceEarlier(hearing('2026-05-13T15:00:00.000Z', 4, 'L1'), current('L2'))).toBe(true);
    expect(heldSinceEarlier(hearing('2026-05-13T15:00:00.000Z', 3, 'L1'), current('L2'))).toBe(false);
    expect(heldSinceEarlier(hearing('2026-05-20T15:50:00.000Z', 5, 'L2'), current('L2'))).toBe(false);
    expect(heldSinceEarlier([], current('L2'))).toBe(false);
  });
  it('goes by day and hours where a lesson is not known', () => {
    expect(heldSinceEarlier(hearing('2026-05-19T15:00:00.000Z', 4), current('L2'))).toBe(true);
    expect(heldSinceEarlier(hearing('2026-05-19T15:00:00.000Z', 4, 'L1'), current(null))).toBe(true);
    expect(heldSinceEarlier(hearing('2026-05-20T09:00:00.000Z', 4), current('L2'))).toBe(false);
    // In Los Angeles 16:00 UTC is nine in the morning; the evening before it was 02:00 UTC of this same UTC day.
    expect(heldSinceEarlier(hearing('2026-05-20T02:00:00.000Z', 4), current('L2', 'America/Los_Angeles'))).toBe(true);
    // In Auckland midnight passed an hour ago, but what was heard then was in this lesson.
    const late = { lessonId: null, now: '2026-05-20T12:30:00.000Z', zone: 'Pacific/Auckland' };
    expect(heldSinceEarlier(hearing('2026-05-20T11:30:00.000Z', 4), late)).toBe(false);
    // Exactly the hours of a lesson ago, on the day before: another lesson.
    expect(heldSinceEarlier(hearing('2026-05-20T09:30:00.000Z', 4), late)).toBe(true);
  });
  it('takes any hearing that does, not the last alone', () =>
    expect(
      heldSinceEarlier(
        [...hearing('2026-05-13T15:00:00.000Z', 4, 'L1'), ...hearing('2026-05-20T15:50:00.000Z', 3, 'L2')],
        current('L2'),
      ),
    ).toBe(true));
});

describe('of all records', () => {
  const all = [
    lesson('L', '2026-05-20T15:00:00.000Z'),
    practised('p'),
    given('g1', '2026-05-20T15:10:00.000Z', 'L'),
    given('g2', '2026-05-20T15:20:00.000Z', 'L'),
  ];
  it('the latest assignment is in force, unless it was taken back', () => {
    expect(currentAssignment(all)?.id).toBe('g2');
    expect(
      currentAssignment([...all, { id: 'x', at: '2026-05-20T16:00:00.000Z', kind: 'retract', target: 'g2' }])?.id,
    ).toBe('g1');
    expect(currentAssignment([])).toBeNull();
  });
  it('the week given is asked for in the next lesson, not in the one that gave it', () => {
    const task = {
      id: 't1',
      kind: 'rung' as const,
      pieceId: 'p',
      sectionId: 'a',
      what: 'A, hands apart',
      tempo: null,
      minutes: 5,
      days: [1, 3],
      timesADay: 1,
      by: '' as const,
      cue: '',
      why: '',
    };
    const week = {
      id: 'g3',
      at: '2026-05-20T15:25:00.000Z',
      kind: 'assignment' as const,
      studentId: 's',
      lessonId: 'L',
      items: [task, { ...task, id: 't2', kind: 'own' as const, pieceId: null, sectionId: null, what: 'listen to it' }],
      leftOut: [],
      cue: '',
      minutesAvailable: 60,
    };
    expect([...sectionsAskedFor(week, { id: 'M' })]).toEqual(['a']);
    expect([...sectionsAskedFor(week, null)]).toEqual(['a']);
    expect([...sectionsAskedFor(week, { id: 'L' })]).toEqual([]);
    expect([...sectionsAskedFor(null, null)]).toEqual([]);
  });
  it('only practice is practice', () => expect(practiceOf(all).map((e) => e.id)).toEqual(['p']));
});
