import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { heldEvents, practiceOf } from '../../mastery';
import { taskKey, weekKey, type DoneAtHome, type SentBack } from '../../sheet';
import type { Assigned, AssignmentEvent, StudioEvent } from '../../studio';
import { does, piece, refusal, runOn, section, student } from '../stored-for-tests';
import { takeHome } from './take-home';

const NOW = '2026-05-20T15:00:00.000Z';
const item = (id: string, more: Partial<Assigned> = {}): Assigned => ({
  id,
  kind: 'rung',
  pieceId: 'p',
  sectionId: 'a',
  what: `Piece, A: ${id}`,
  tempo: null,
  minutes: 6,
  days: [0, 1, 2, 3, 4],
  timesADay: 3,
  by: 'lesson',
  cue: '',
  why: '',
  ...more,
});
const given = (more: Partial<AssignmentEvent> = {}): AssignmentEvent => ({
  id: 'w',
  at: '2026-05-13T15:00:00.000Z',
  kind: 'assignment',
  studentId: 's',
  lessonId: 'L',
  items: [item('one'), item('two', { pieceId: null, sectionId: null, what: 'Clap it' })],
  leftOut: [],
  cue: '',
  minutesAvailable: 100,
  ...more,
});
const rung = (id: string) => ({
  id,
  kind: 'slow' as const,
  what: id,
  hands: '',
  tempo: 60,
  tempoTo: null,
  times: 3,
  done: '',
  why: '',
  own: false,
});
const LADDER = { id: 'l', sectionId: 'a', pieceId: 'p', rungs: [rung('one'), rung('later')], updatedAt: NOW };
const done = (more: Partial<DoneAtHome> = {}): DoneAtHome => ({
  task: taskKey('one'),
  day: '2026-05-14',
  minutes: 12,
  times: 9,
  right: 7,
  row: 3,
  tempo: 66,
  ticks: 3,
  steps: 0,
  ...more,
});
const sent = (all: readonly DoneAtHome[] = [done()], more: Partial<SentBack> = {}): SentBack => ({
  week: weekKey(given()),
  device: 4711,
  from: '2026-05-13',
  done: all,
  note: '',
  ...more,
});
const base = {
  students: [student('s', { name: 'Ada' })],
  pieces: [piece()],
  sections: [section('a', 0, 3)],
  ladders: [LADDER],
};
const stored = (events: readonly StudioEvent[] = [given()]) => ({ ...base, events });
const args = (what: SentBack) => ({ studentId: 's', sent: what, pieceIds: ['p'], ladderIds: ['l'] });
/** The records there are after something was taken in; the same where it was refused. */
function after(events: readonly StudioEvent[], what: SentBack): readonly StudioEvent[] {
  const result = runOn(takeHome, stored(events), args(what));
  if (!result.ok) return events;
  const own = (id: string): string => id.replace(/n\d+$/, (n) => `${events.length}-${n}`);
  return [...events, ...(result.value.records ?? []).map((e) => ({ ...e, id: own(e.id) }))];
}
/** What is kept of practice, without ids. */
const kept = (events: readonly StudioEvent[]) =>
  practiceOf([...events])
    .map(({ id: _, at: __, ...log }) => log)
    .sort((a, b) => (`${a.day} ${String(a.pieceId)}` < `${b.day} ${String(b.pieceId)}` ? -1 : 1));

describe('what comes back from home', () => {
  it('is practice of the piece on its day, with what was right, in a row and ticked', () => {
    const out = does(takeHome, stored(), args(sent()));
    expect(out.records).toMatchObject([
      {
        kind: 'practice',
        studentId: 's',
        pieceId: 'p',
        sectionId: 'a',
        day: '2026-05-14',
        minutes: 12,
        times: 9,
        right: 7,
        row: 3,
        tempo: 66,
        ticks: 3,
      },
    ]);
    expect(out.says).toBe('Ada, at home: 12 minutes on 1 day.');
  });
  it('counts boxes that were only ticked as the time they stand for, and a task of no piece, too', () => {
    const only = { times: 0, right: 0, row: 0, tempo: null, minutes: 0 };
    const out = does(takeHome, stored(), args(sent([done({ ...only, ticks: 2, task: taskKey('two') })])));
    expect(out.records).toMatchObject([{ pieceId: null, sectionId: null, minutes: 4, ticks: 2, times: 0 }]);
    expect(out.records?.[0]).not.toHaveProperty('right');
  });
  it('ticks the steps that are done, once', () => {
    const events = after([given()], sent([done({ steps: 1 })]));
    const ticks = (all: readonly StudioEvent[]) => all.flatMap((e) => (e.kind === 'rung' ? [e.rungId] : []));
    expect(ticks(events)).toEqual(['one']);
    expect(ticks(after(events, sent([done({ steps: 1, minutes: 20 })])))).toEqual(['one']);
  });
  it('brings the words to the teacher', () => {
    const events = after([given()], sent([done(), done({ day: '2026-05-15' })], { note: ' The leap is hard. ' }));
    expect(kept(events).map((l) => l.note)).toEqual(['The leap is hard.', '']);
    const more = after(events, sent([done()], { note: 'The leap is fine now.' }));
    expect(kept(more).map((l) => l.note)).toEqual(['The leap is fine now.', '']);
  });
  it('changes nothing the second time', () => {
    const events = after([given()], sent([done({ steps: 1 })], { note: 'Hm.' }));
    expect(refusal(runOn(takeHome, stored(events), args(sent([done({ steps: 1 })], { note: 'Hm.' }))))).toBe(
      'kept-already',
    );
    // The code of the same has no words: nothing new either.
    expect(refusal(runOn(takeHome, stored(events), args(sent([done({ steps: 1 })]))))).toBe('kept-already');
  });
  it('can be taken in again after it was taken back', () => {
    const events = after([given()], sent());
    const [log] = practiceOf([...events]);
    const back: StudioEvent = { id: 'r', at: NOW, kind: 'retract', target: log?.id ?? '' };
    const again = after([...events, back], sent());
    expect(kept(again)).toHaveLength(1);
    expect(new Set(again.map((e) => e.id)).size).toBe(again.length);
  });
  it('grows where a day has grown, and two devices are added up', () => {
    const events = after(after([given()], sent()), sent([done({ minutes: 20, times: 12, right: 9 })]));
    expect(kept(events)).toMatchObject([{ minutes: 20, times: 12, right: 9, row: 3 }]);
    expect(kept(after(events, sent([done({ minutes: 5 })], { device: 1 })))).toHaveLength(2);
  });
  it('is refused in a sentence, and nothing is changed', () => {
    const why = (what: SentBack, events: readonly StudioEvent[] = [given()]) =>
      refusal(runOn(takeHome, stored(events), args(what)));
    const later = given({ id: 'x', at: '2026-05-20T14:00:00.000Z', lessonId: 'M' });
    expect(why(sent(), [given(), later])).toBe('older-week');
    expect(why(sent([], { week: 1 }))).toBe('older-week');
    expect(why(sent([]))).toBe('nothing-done');
    expect(why(sent([], { note: 'I was ill.' }))).toBe('nothing-done');
    expect(why(sent([done({ task: 1 })]))).toBe('tasks-gone');
    expect(why(sent([done({ day: '2026-05-23' })]))).toBe('not-yet');
    expect(refusal(runOn(takeHome, { events: [given()] }, args(sent())))).toBe('gone');
  });
  it('is of the same week though the week was changed in its lesson meanwhile', () => {
    const changed = given({ id: 'w2', at: '2026-05-13T16:00:00.000Z', items: [item('one')] });
    const out = does(takeHome, stored([given(), changed]), args(sent([done(), done({ task: taskKey('two') })])));
    expect(out.records).toHaveLength(1);
    expect(out.says).toMatch(/One of its tasks is not in the week any more\.$/);
  });
  it('never stands in tomorrow, though the clock of the device is some hours ahead', () => {
    const out = does(takeHome, stored(), args(sent([done({ day: '2026-05-21' })])));
    expect(out.records).toMatchObject([{ day: '2026-05-20' }]);
  });
  it('comes to the same in whatever order it is taken in, and however often', () => {
    const some = fc.record({
      minutes: fc.nat(40),
      times: fc.nat(20),
      right: fc.nat(20),
      row: fc.nat(9),
      tempo: fc.option(fc.integer({ min: 40, max: 120 })),
      ticks: fc.nat(3),
      day: fc.constantFrom('2026-05-14', '2026-05-15'),
      task: fc.constantFrom(taskKey('one'), taskKey('two')),
      steps: fc.nat(1),
    });
    const week = fc.uniqueArray(some, { maxLength: 4, selector: (d) => `${d.day} ${d.task}` });
    fc.assert(
      fc.property(week, week, (a, b) => {
        const [x, y] = [sent(a.map((d) => done(d))), sent(b.map((d) => done(d)))];
        const one = after(after([given()], x), y);
        const other = after(after(after([given()], y), x), y);
        expect(kept(other)).toEqual(kept(one));
        expect(heldEvents([...other]).filter((e) => e.kind === 'rung')).toHaveLength(
          heldEvents([...one]).filter((e) => e.kind === 'rung').length,
        );
      }),
      { numRuns: 60 },
    );
  });
});
