import { fsrs, createEmptyCard, Rating } from 'ts-fsrs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Level } from '../studio';
import { chanceItHolds, dueState, fadingOf, fadingOfHistory, hearingOf, type Hearing } from './fading';
import type { LevelEvent } from '../studio';

const DAY = 86_400_000;
const START = '2022-11-29T12:30:00.000Z';
const later = (at: string, days: number): string => new Date(Date.parse(at) + days * DAY).toISOString();

/** Hears a section each time it is due and gives the days in between. */
function gaps(heard: readonly Hearing[], withinADay: boolean): number[] {
  const hearings: { at: string; heard: Hearing }[] = [];
  const out: number[] = [];
  let at = START;
  for (const h of heard) {
    hearings.push({ at, heard: h });
    const due = fadingOf(hearings, { withinADay })?.due ?? at;
    out.push(Math.floor((Date.parse(due) - Date.parse(at)) / DAY));
    at = due;
  }
  return out;
}
const SERIES: readonly Hearing[] = [
  'held',
  'held',
  'held',
  'held',
  'held',
  'held',
  'lost',
  'lost',
  'held',
  'held',
  'held',
  'held',
  'held',
];

describe('fading', () => {
  // The series of intervals that the projects of FSRS-6 publish in their own tests (py-fsrs and ts-fsrs, "ivl_history")
  // [from memory].
  it('gives the published series of days through our fold', () =>
    expect(gaps(SERIES, true)).toEqual([0, 2, 11, 46, 163, 498, 0, 0, 2, 4, 7, 12, 21]));
  it('gives the dates of the library itself, week after week', () => {
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom<Hearing>('lost', 'shaky', 'held', 'easy'), { minLength: 1, maxLength: 12 }),
        fc.integer({ min: 1, max: 30 }),
        (list, step) => {
          const model = fsrs({ enable_fuzz: false, enable_short_term: false });
          const grades = { lost: Rating.Again, shaky: Rating.Hard, held: Rating.Good, easy: Rating.Easy } as const;
          let card = createEmptyCard(new Date(START));
          const hearings = list.map((heard, i) => ({ at: later(START, i * step), heard }));
          for (const h of hearings) card = model.next(card, new Date(h.at), grades[h.heard]).card;
          expect(fadingOf(hearings)).toEqual({ due: card.due.toISOString(), stabilityInDays: card.stability });
        },
      ),
    );
  });
  it('has the chance of the library at any day', () => {
    const model = fsrs({ enable_fuzz: false, enable_short_term: false });
    const { card } = model.next(createEmptyCard(new Date(START)), new Date(START), Rating.Good);
    const fading = fadingOf([{ at: START, heard: 'held' }]);
    if (!fading) throw new Error('no fading');
    for (const days of [0, 1, 3, 10, 60, 300])
      expect(chanceItHolds(fading, START, later(START, days))).toBeCloseTo(
        model.get_retrievability(card, new Date(later(START, days)), false),
        3,
      );
  });
  it('falls with time, and falls more slowly the more often it has held', () => {
    const one = fadingOf([{ at: START, heard: 'held' }]);
    const many = fadingOf([0, 7, 14, 28].map((d) => ({ at: later(START, d), heard: 'held' as const })));
    if (!one || !many) throw new Error('no fading');
    expect(chanceItHolds(one, START, later(START, 20))).toBeLessThan(chanceItHolds(one, START, later(START, 5)));
    expect(many.stabilityInDays).toBeGreaterThan(one.stabilityInDays);
  });
  const level = (at: string, to: Level): LevelEvent => ({
    id: at,
    at,
    kind: 'level',
    studentId: 's',
    pieceId: 'p',
    sectionId: 'a',
    level: to,
    proposed: null,
    tempo: null,
    note: '',
  });
  it('reads lower levels as lost, the same as held', () => {
    expect(hearingOf(level(START, 2), level(START, 3))).toBe('lost');
    expect(hearingOf(level(START, 3), level(START, 3))).toBe('held');
    expect(hearingOf(level(START, 1), null)).toBe('shaky');
    expect(hearingOf(level(START, 4), level(START, 3))).toBe('easy');
  });
  it('does not begin before level 2', () => {
    expect(fadingOfHistory([level(START, 1)])).toBeNull();
    expect(fadingOfHistory([])).toBeNull();
    expect(fadingOfHistory([level(START, 2)])).not.toBeNull();
  });
  it('is due from its date on and at risk later', () => {
    const fading = fadingOfHistory([level(START, 3)]);
    expect(dueState(fading, START, later(START, 1))).toBe('fresh');
    expect(dueState(fading, START, fading?.due ?? '')).toBe('due');
    expect(dueState(fading, START, later(START, 90))).toBe('at-risk');
    expect(dueState(null, START, later(START, 900))).toBe('fresh');
  });
});
