import { describe, expect, it } from 'vitest';
import { MOST, type Assigned, type StudioEvent } from '../../studio';
import { does, nothing, refusal, runOn, student } from '../stored-for-tests';
import { giveWeek, keptWeek, type Week, type WeekEdit } from './give-week';

const item = (id: string, more: Partial<Assigned> = {}): Assigned => ({
  id,
  kind: 'rung',
  pieceId: null,
  sectionId: null,
  what: id,
  tempo: null,
  minutes: 5,
  days: [0, 2],
  timesADay: 2,
  by: '',
  cue: '',
  why: '',
  ...more,
});
const proposed: Week = {
  items: [item('a'), item('b')],
  leftOut: [{ what: 'c', minutes: 9 }],
  cue: '',
  minutesAvailable: 100,
};
const lesson: StudioEvent = { id: 'L', at: '2026-05-20T14:45:00.000Z', kind: 'lesson', studentId: 's', minutes: 30 };
const given = (week: Week, more: object = {}): StudioEvent =>
  ({
    id: 'g',
    at: '2026-05-20T14:50:00.000Z',
    kind: 'assignment',
    studentId: 's',
    lessonId: 'L',
    ...week,
    items: [...week.items],
    leftOut: [...week.leftOut],
    ...more,
  }) as StudioEvent;
const give = (edit: WeekEdit, events: StudioEvent[] = []) =>
  does(giveWeek, { students: [student('s')], events }, { studentId: 's', lessonId: null, proposed, edit });
const weekOf = (edit: WeekEdit, events: StudioEvent[] = []) => {
  const record = (give(edit, events).records ?? []).find((r) => r.kind === 'assignment');
  if (record?.kind !== 'assignment') throw new Error('no week');
  return record;
};

describe('a week', () => {
  it('is given as it was proposed, in the lesson that begins with it', () => {
    const out = give({ kind: 'give' });
    expect(out.records).toEqual([
      { id: 'n1', at: '2026-05-20T15:00:00.000Z', kind: 'lesson', studentId: 's', minutes: 30 },
      {
        id: 'n2',
        at: '2026-05-20T15:00:00.000Z',
        kind: 'assignment',
        studentId: 's',
        lessonId: 'n1',
        items: proposed.items,
        leftOut: proposed.leftOut,
        cue: '',
        minutesAvailable: 100,
      },
    ]);
    expect(out.label).toBe('week given');
  });
  it('is changed from what was given last in this lesson, not from what is proposed', () => {
    const events = [lesson, given({ ...proposed, items: [item('a', { minutes: 8 })], cue: 'sing' })];
    expect(weekOf({ kind: 'change', id: 'a', change: { minutes: 3 } }, events)).toMatchObject({
      items: [{ id: 'a', minutes: 3 }],
      cue: 'sing',
      lessonId: 'L',
    });
    expect(weekOf({ kind: 'add', item: item('n') }, events).items.map((i) => i.id)).toEqual(['a', 'n']);
    expect(weekOf({ kind: 'remove', id: 'a' }, events).items).toEqual([]);
    expect(weekOf({ kind: 'cue', cue: ' count ' }, events)).toMatchObject({ cue: 'count', items: [{ id: 'a' }] });
    expect(weekOf({ kind: 'give' }, events).items.map((i) => i.id)).toEqual(['a', 'b']);
  });
  it('of an earlier lesson is not what is changed', () => {
    const before = { ...lesson, id: 'K', at: '2026-05-13T15:00:00.000Z' } as StudioEvent;
    const week = weekOf({ kind: 'remove', id: 'a' }, [
      before,
      given({ ...proposed, items: [item('old')] }, { lessonId: 'K', at: '2026-05-13T15:20:00.000Z' }),
    ]);
    expect(week.items.map((i) => i.id)).toEqual(['b']);
  });
  it('is refused where there is no such task, no student, no lesson, or too much of it', () => {
    const refused = (edit: WeekEdit, stored: object = { students: [student('s')] }, lessonId: string | null = null) =>
      refusal(runOn(giveWeek, stored, { studentId: 's', lessonId, proposed, edit }));
    expect(refused({ kind: 'change', id: 'gone', change: {} })).toBe('gone');
    expect(refused({ kind: 'give' }, nothing)).toBe('gone');
    expect(refused({ kind: 'give' }, { students: [student('s')] }, 'nowhere')).toBe('gone');
    const many = { ...proposed, items: Array.from({ length: MOST.tasksOfWeek + 1 }, (_, i) => item(`t${i}`)) };
    expect(
      refusal(
        runOn(
          giveWeek,
          { students: [student('s')] },
          { studentId: 's', lessonId: null, proposed: many, edit: { kind: 'give' } },
        ),
      ),
    ).toBe('too-many-tasks');
    const most = { ...many, items: many.items.slice(1) };
    expect(
      runOn(
        giveWeek,
        { students: [student('s')] },
        { studentId: 's', lessonId: null, proposed: most, edit: { kind: 'give' } },
      ).ok,
    ).toBe(true);
  });
});

describe('what a week may hold', () => {
  it('is kept by gathering what is left out past the limit, and by cutting long texts at a word', () => {
    const leftOut = (n: number) => Array.from({ length: n }, (_, i) => ({ what: `bars ${i}`, minutes: 2 }));
    expect(keptWeek({ ...proposed, leftOut: leftOut(MOST.leftOutOfWeek) }).leftOut).toHaveLength(MOST.leftOutOfWeek);
    const kept = keptWeek({ ...proposed, leftOut: leftOut(MOST.leftOutOfWeek + 4) }).leftOut;
    expect(kept).toHaveLength(MOST.leftOutOfWeek);
    expect(kept[kept.length - 1]).toEqual({ what: 'and 5 more', minutes: 10 });
    const long = keptWeek({
      ...proposed,
      cue: 'word '.repeat(200),
      items: [item('a', { what: 'word '.repeat(400), why: 'w'.repeat(2000), cue: 'c'.repeat(900) })],
    });
    expect([long.cue.length <= MOST.cue, long.cue.endsWith('word…')]).toEqual([true, true]);
    const [first] = long.items;
    expect(first?.what.length).toBeLessThanOrEqual(MOST.task);
    expect(first?.why.length).toBeLessThanOrEqual(MOST.task);
    expect(first?.cue.length).toBeLessThanOrEqual(MOST.cue);
    expect(keptWeek(proposed)).toEqual(proposed);
  });
});
