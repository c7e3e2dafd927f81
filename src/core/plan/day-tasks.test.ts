import { describe, expect, it } from 'vitest';
import type { Assigned, AssignmentEvent } from '../studio';
import { dayTasks } from './day-tasks';
import { practised } from './records-for-tests';

const item = (id: string, kind: Assigned['kind'], more: Partial<Assigned> = {}): Assigned => ({
  id,
  kind,
  pieceId: 'p',
  sectionId: null,
  what: id,
  tempo: null,
  minutes: 5,
  days: [0, 1, 2, 3, 4, 5, 6],
  timesADay: 1,
  by: '',
  cue: '',
  why: '',
  ...more,
});
const week = (...items: Assigned[]): AssignmentEvent => ({
  id: 'w',
  at: '2026-05-18T15:00:00.000Z',
  kind: 'assignment',
  studentId: 's',
  lessonId: null,
  items,
  leftOut: [],
  cue: '',
  minutesAvailable: 20,
});
/** A Wednesday. */
const DAY = '2026-05-20';
const ids = (assignment: AssignmentEvent, day = DAY): readonly string[] =>
  dayTasks(assignment, day, []).map((t) => t.item.id);

// Handbook chapter 20 [common practice].
describe('a day at home', () => {
  it('has technique first, then the corner, what is new, the own, and a run last', () => {
    const given = week(
      item('run', 'check'),
      item('own', 'own'),
      item('new', 'rung'),
      item('hard', 'corner'),
      item('scale', 'technique'),
    );
    expect(ids(given)).toEqual(['scale', 'hard', 'new', 'own', 'run']);
  });
  it('has only what is for that day', () => {
    const given = week(item('a', 'rung', { days: [0, 2] }), item('b', 'rung', { days: [1] }));
    expect(ids(given)).toEqual(['a']);
    expect(ids(given, '2026-05-19')).toEqual(['b']);
    expect(ids(given, '2026-05-23')).toEqual([]);
  });
  it('counts what was logged on that day, for the section it was logged for', () => {
    const given = week(item('a', 'rung', { sectionId: 'one' }), item('b', 'rung', { sectionId: 'two' }));
    const logs = [
      { ...practised(DAY, 6), sectionId: 'one' },
      { ...practised('2026-05-19', 9), sectionId: 'two' },
    ];
    expect(dayTasks(given, DAY, logs).map((t) => [t.item.id, t.practised, t.done])).toEqual([
      ['a', 6, true],
      ['b', 0, false],
    ]);
  });
  it('gives a second log of one section to the second thing that is asked of it', () => {
    const given = week(item('a', 'rung', { sectionId: 'one' }), item('b', 'rung', { sectionId: 'one' }));
    const log = { ...practised(DAY, 5), sectionId: 'one' };
    expect(dayTasks(given, DAY, [log, { ...log, id: 'again' }]).map((t) => t.done)).toEqual([true, true]);
  });
});
