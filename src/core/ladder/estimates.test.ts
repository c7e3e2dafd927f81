import { describe, expect, it } from 'vitest';
import type { Rung } from '../studio';
import { scoreOfAbc } from '../studio/abc-for-tests';
import { cautionsFor } from './cautions';
import { describeCopy } from './copy-of';
import { rungOf } from './rung-for-tests';
import {
  BESIDES_PLAYING,
  estimateMinutes,
  learnedOverhead,
  minutesRange,
  OVERHEAD,
  passSeconds,
  USUAL_OVERHEAD,
} from './minutes';

const score = (abc: string) => scoreOfAbc(`X:1\nM:4/4\nL:1/4\nQ:1/4=60\nK:C\n${abc}`);

describe('minutes', () => {
  const four = score('c4|c4|c4|c4|');
  it('of a pass are its quarters at the tempo: eight of them at 60 take 8 s', () => {
    expect(passSeconds(four, 0, 1, 60)).toBeCloseTo(8);
    expect(passSeconds(four, 1, 1, 120)).toBeCloseTo(2);
  });
  it('of a rung are its passes and all that practice is besides, to a tenth, at least half a minute', () => {
    // 16 s a pass, 10 passes, three times as long: 480 s are 8 minutes.
    expect(estimateMinutes(four, 0, 3, 60, 10)).toBe(8);
    expect(estimateMinutes(four, 0, 3, 60, 10, 1)).toBe(2.7);
    expect(estimateMinutes(four, 0, 0, 120, 1)).toBe(0.5);
  });
  it('are five, three and two times the playing by level [common practice], and what is besides is named', () => {
    expect(OVERHEAD).toEqual({ beginner: 5, intermediate: 3, advanced: 2 });
    expect(Object.values(BESIDES_PLAYING).reduce((a, b) => a + b, 0)).toBeCloseTo(1);
    expect(minutesRange(100)).toEqual([75, 135]);
    expect(minutesRange(0.2)).toEqual([1, 1]);
  });
  const log = (minutes: number, playingSeconds = 60) => ({ minutes, playingSeconds });
  it('follow the logs: the median, the more of them the more', () => {
    expect(learnedOverhead([])).toBe(USUAL_OVERHEAD);
    expect(learnedOverhead([], 'beginner')).toBe(5);
    // One log of 8 times: a seventh of 8 and six sevenths of 3.
    expect(learnedOverhead([log(8)])).toBe(3.71);
    expect(learnedOverhead(Array.from({ length: 6 }, () => log(5)))).toBe(4);
    // Median of 1, 3, 5, 9 is 4: four tenths of it and six of 3.
    expect(learnedOverhead([log(9), log(1), log(3), log(5)])).toBe(3.4);
    expect(learnedOverhead([log(9), log(1), log(3)])).toBe(3);
  });
  it('never follow a log to where nobody practises, nor one without time', () => {
    expect(learnedOverhead(Array.from({ length: 500 }, () => log(60)))).toBe(8);
    expect(learnedOverhead(Array.from({ length: 500 }, () => log(0.1)))).toBeCloseTo(1, 1);
    expect(learnedOverhead([log(0), log(8, 0)])).toBe(USUAL_OVERHEAD);
  });
});

describe('a copy', () => {
  it('differs by notes instead of others, more, or missing, bar by bar in words', () => {
    const s = score('c d e f|c d e f|c d e f|c d e g|c d e z|c d [eg] f|');
    expect(describeCopy(s, 'A', [0, 0], [3, 3])).toEqual({
      name: 'A',
      differences: [{ bar: 3, words: 'G instead of F' }],
    });
    expect(describeCopy(s, 'A', [0, 0], [4, 4]).differences).toEqual([{ bar: 4, words: 'without F' }]);
    expect(describeCopy(s, 'A', [0, 0], [5, 5]).differences).toEqual([{ bar: 5, words: 'G more' }]);
    expect(describeCopy(s, 'A', [0, 1], [1, 2]).differences).toEqual([]);
  });
  it('names four bars at most, in order', () => {
    const s = score(`${'c d e f|'.repeat(6)}${'c B G A|'.repeat(6)}`);
    const { differences } = describeCopy(s, 'A', [0, 5], [6, 11]);
    expect(differences.map((d) => d.bar)).toEqual([6, 7, 8, 9]);
    expect(differences[0]?.words).toBe('B G A instead of D E F');
  });
  it('that lies higher or lower is said to', () => {
    const s = score("c d e f|G A B c|g a b c'|G A B d|");
    expect(describeCopy(s, 'A', [0, 0], [1, 1])).toEqual({ name: 'A, a fourth lower', differences: [] });
    expect(describeCopy(s, 'A', [0, 0], [2, 2]).name).toBe('A, a fifth higher');
    expect(describeCopy(s, 'A', [0, 0], [3, 3])).toEqual({
      name: 'A, a fourth lower',
      differences: [{ bar: 3, words: 'D instead of F' }],
    });
  });
  it('that is shorter has what is missing in its last bar', () => {
    const s = score('c d e f|g a b c|c d e f|');
    expect(describeCopy(s, 'A', [0, 1], [2, 2]).differences.every((d) => d.bar === 2)).toBe(true);
  });
});

describe('cautions (handbook, chapter 18)', () => {
  const rung = (more: Partial<Rung>): Rung => rungOf({ kind: 'run', ...more });
  const easy = { wind: false, stretch: false, notesPerSecond: 2 };
  const said = (rungs: Rung[], about = easy) => cautionsFor(rungs, about).map((c) => c.split(/[ :?]/)[0]);
  it('are none where nothing gives reason', () => expect(said([rung({ minutes: 10 })])).toEqual([]));
  it('speak of pain for stretches, quick notes, loops and long practice', () => {
    expect(said([], { ...easy, stretch: true })).toEqual(['Pain,']);
    expect(said([], { ...easy, notesPerSecond: 6 })).toEqual(['Pain,']);
    expect(said([], { ...easy, notesPerSecond: 5.9 })).toEqual([]);
    expect(said([rung({ kind: 'corner' })])).toEqual(['Pain,']);
  });
  it('ask for a pause past 25 minutes in all', () => {
    expect(said([rung({ minutes: 20 }), rung({ minutes: 5 })])).toEqual([]);
    expect(said([rung({ minutes: 20 }), rung({ minutes: 5.1 })])).toEqual(['Pain,', 'More']);
  });
  it('speak of dizziness to those who blow, and of the ears with a partner', () => {
    expect(said([], { ...easy, wind: true })).toEqual(['Dizzy']);
    expect(said([rung({ kind: 'partner' })])).toEqual(['With']);
  });
});
