import { describe, expect, it } from 'vitest';
import type { FoldedStanding } from '../mastery';
import { EIGHT, piece, section, standing } from '../commands/stored-for-tests';
import { placeSections } from '../sections';
import type { Ladder, Rung, Section } from '../studio';
import { nextRung, weekCandidates, type WorkedPiece } from './candidates';

const NOW = '2026-05-20T15:00:00.000Z';
const rung = (id: string, kind: Rung['kind'] = 'alone', more: Partial<Rung> = {}): Rung => ({
  id,
  kind,
  what: `do ${id}`,
  why: `because of ${id}`,
  tempo: 60,
  tempoTo: null,
  times: 3,
  hands: 'all',
  done: '',
  own: false,
  minutes: 4,
  ...more,
});
const ladder = (sectionId: string, rungs: readonly Rung[]): Ladder => ({
  id: `l-${sectionId}`,
  pieceId: 'p',
  sectionId,
  rungs: [...rungs],
  updatedAt: NOW,
});
const worked = (sections: readonly Section[], ladders: readonly Ladder[] = []): WorkedPiece => ({
  piece: piece({ title: 'Lamps', targetTempo: 80 }),
  score: EIGHT,
  sections: placeSections(EIGHT, sections),
  ladders,
});
const known = (list: readonly FoldedStanding[]) => new Map(list.map((s) => [s.key, s]));
const fading = (due: string, stabilityInDays: number) => ({ due, stabilityInDays });
const A = section('a', 0, 3);
const B = section('b', 4, 7);

describe('the next rung', () => {
  const three = ladder('a', [rung('1'), rung('2'), rung('3')]);
  it('is the lowest that is open, never one that is done', () => {
    expect(nextRung(three, [])?.id).toBe('1');
    expect(nextRung(three, ['1'])?.id).toBe('2');
    expect(nextRung(three, ['2', '1', '3'])).toBeNull();
    expect(nextRung(undefined, [])).toBeNull();
  });
});

describe('what could go into the week', () => {
  it('is the next two open rungs of a section, not those that are done', () => {
    const list = weekCandidates(
      [worked([A], [ladder('a', [rung('1'), rung('2'), rung('3'), rung('4')])])],
      known([{ ...standing('s', 'a', 2), rungsDone: ['1'] }]),
      's',
      NOW,
    );
    expect(list.map((c) => [c.key, c.kind, c.days, c.by, c.why, c.weight])).toEqual([
      ['rung 2', 'rung', 4, 'lesson', 'because of 2', 60],
      ['rung 3', 'rung', 3, 'lesson', 'because of 3', 40],
    ]);
    expect(list[0]).toMatchObject({
      what: 'Lamps, A 1–4: do 2',
      pieceId: 'p',
      sectionId: 'a',
      tempo: 60,
      minutes: 4,
      timesADay: 3,
    });
  });
  it('begins a new section and lets the second one wait', () => {
    const list = weekCandidates(
      [worked([A, B], [ladder('a', [rung('a1'), rung('a2')]), ladder('b', [rung('b1')])])],
      known([]),
      's',
      NOW,
    );
    expect(list.map((c) => [c.key, c.by, c.why, c.weight])).toEqual([
      ['rung a1', 'lesson', 'new', 48],
      ['rung a2', 'lesson', 'because of a2', 28],
      ['rung b1', 'lesson', 'new', 36],
    ]);
  });
  it('counts ground, and rungs without a level, as new', () => {
    const why = (level: FoldedStanding['level']) =>
      weekCandidates([worked([A], [ladder('a', [rung('1')])])], known([standing('s', 'a', level)]), 's', NOW)[0]?.why;
    expect([why(0), why(null), why(1)]).toEqual(['new', 'new', 'because of 1']);
  });
  it('puts warm-ups first, corners next, each by its kind', () => {
    const list = weekCandidates(
      [
        worked([A], [ladder('a', [rung('w', 'warm-up'), rung('c', 'corner')])]),
        worked([B], [ladder('b', [rung('w2', 'warm-up', { times: 40 }), rung('t', 'tempo', { times: 6 })])]),
      ],
      known([standing('s', 'a', 2), standing('s', 'b', 2)]),
      's',
      NOW,
    );
    expect(list.map((c) => [c.key, c.kind, c.days, c.by, c.timesADay, c.weight])).toEqual([
      ['rung w', 'technique', 4, 'lesson', 3, 69],
      ['rung c', 'corner', 5, 'midweek', 3, 45],
      ['rung w2', 'technique', 4, 'lesson', 10, 67],
      ['rung t', 'rung', 3, 'lesson', 1, 39],
    ]);
  });
  it('checks once what is due and, heavier, what is at risk', () => {
    const checks = (at: string, due: string, stability: number, tempo: number | null) =>
      weekCandidates(
        [worked([A])],
        known([{ ...standing('s', 'a', 4), at, tempo, fading: fading(due, stability) }]),
        's',
        NOW,
      );
    expect(checks('2026-05-10T15:00:00.000Z', '2026-05-20T15:00:00.000Z', 10, 76)).toMatchObject([
      {
        key: 'check a',
        kind: 'check',
        what: 'Check Lamps, A 1–4: once from cold',
        tempo: 76,
        days: 1,
        timesADay: 1,
        by: '',
        why: 'due for a check',
        weight: 80,
      },
    ]);
    expect(checks('2026-01-10T15:00:00.000Z', '2026-01-20T15:00:00.000Z', 2, null)).toMatchObject([
      { tempo: 64, days: 1, why: 'it may be fading', weight: 90 },
    ]);
    expect(checks('2026-05-19T15:00:00.000Z', '2026-07-20T15:00:00.000Z', 60, null)).toEqual([]);
  });
  it('gives no more rungs to what is secure, and none to sections inside sections', () => {
    const rungs = [ladder('a', [rung('1')]), ladder('in', [rung('2')])];
    const inside = section('in', 1, 2, { parentId: 'a' });
    expect(weekCandidates([worked([A, inside], rungs)], known([standing('s', 'a', 5)]), 's', NOW)).toEqual([]);
  });
  it('takes minutes from the rung, four where it says none, as long as this student needs, at most twelve', () => {
    const minutes = (more: Partial<Rung>, overhead?: number) =>
      weekCandidates([worked([A], [ladder('a', [rung('1', 'alone', more)])])], known([]), 's', NOW, overhead)[0]
        ?.minutes;
    expect(minutes({ minutes: undefined })).toBe(4);
    // Half as long again as usual, which is three times the playing.
    expect(minutes({ minutes: 6 }, 4.5)).toBe(9);
    expect(minutes({ minutes: 30 })).toBe(12);
    expect(minutes({ minutes: 0.2 })).toBe(1);
  });
  it('lets the second piece stand a little behind the first', () => {
    const other: WorkedPiece = { ...worked([B], [ladder('b', [rung('b1')])]) };
    const list = weekCandidates(
      [worked([A], [ladder('a', [rung('a1')])]), other],
      known([standing('s', 'a', 2), standing('s', 'b', 2)]),
      's',
      NOW,
    );
    expect(list.map((c) => c.weight)).toEqual([60, 59]);
  });
});
