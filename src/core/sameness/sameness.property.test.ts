import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Score } from '../score';
import { differencesOf } from './differences';
import { findSameness } from './find-sameness';
import type { Repeat } from './repeat';
import { piecePay } from './credits';
import { payOffValue, payOff } from './pay-off';
import { scoreOfAbc } from '../studio/abc-for-tests';

const LETTERS = ['C', 'D', 'E', 'F', 'G', 'A', 'B', 'c', 'd', 'e', 'f', 'g'] as const;
const scoreOf = (bars: readonly (readonly number[])[], key = 'C') => {
  const music = bars
    .map((bar) => bar.map((n) => `${LETTERS[n] ?? 'C'}${bar.length === 2 ? '2' : ''}`).join(' '))
    .join(' | ');
  return scoreOfAbc(`X:1\nM:4/4\nL:1/4\nQ:1/4=60\nK:${key}\n${music} |`);
};
const pitch = fc.integer({ min: 0, max: 9 });
const bar = fc.oneof(fc.tuple(pitch, pitch, pitch, pitch), fc.tuple(pitch, pitch));
const phrase = fc.array(bar, { minLength: 3, maxLength: 5 });
const shape = (score: Score, r: Repeat): string =>
  `${r.kind} ${r.a.join('-')} ${r.b.join('-')} ${r.steps} ${r.times} ${differencesOf(score, r)
    .map((d) => `${d.bar}:${d.noteIds.join()}`)
    .join(';')}`;

describe('laws of sameness', () => {
  it('a piece played twice finds its exact repeat', () => {
    fc.assert(
      fc.property(phrase, (bars) => {
        const n = bars.length;
        const { repeats, ostinatos } = findSameness(scoreOf([...bars, ...bars]));
        const whole = repeats.some((r) => r.kind === 'exact' && r.a[0] <= 0 && r.b[1] === 2 * n - 1 && r.b[0] <= n);
        // A piece that is one figure throughout is told as such.
        expect(
          whole ||
            ostinatos.some((o) => o.from === 0 && o.to === 2 * n - 1) ||
            repeats.some((r) => r.kind === 'exact' && r.b[0] <= n && r.b[1] >= 2 * n - 1),
        ).toBe(true);
      }),
      { numRuns: 120 },
    );
  });

  it('one note edited turns exact into changed with exactly that note', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.tuple(pitch, pitch, pitch, pitch), { minLength: 4, maxLength: 5, selector: (b) => b.join() }),
        fc.nat(),
        fc.nat(3),
        (bars, at, which) => {
          const n = bars.length;
          const copy = bars.map((b) => [...b]);
          const target = copy[at % n];
          if (!target) return;
          target[which] = ((target[which] ?? 0) + 1) % 10;
          fc.pre(!bars.some((b) => b.join() === target.join()));
          const score = scoreOf([...bars, ...copy]);
          const edited = score.notes.filter((x) => x.bar === n + (at % n))[which];
          const changed = findSameness(score).repeats.filter(
            (r) => r.kind === 'changed' && r.a[0] === 0 && r.b[0] === n && r.b[1] === 2 * n - 1,
          );
          expect(changed).toHaveLength(1);
          expect(changed.flatMap((r) => differencesOf(score, r)).flatMap((d) => d.noteIds)).toEqual([edited?.id]);
        },
      ),
      { numRuns: 120 },
    );
  });

  it('transposing the whole piece changes nothing but the signature', () => {
    fc.assert(
      fc.property(phrase, phrase, (a, b) => {
        // A letter up under two sharps: C major becomes D major, every note a whole step higher.
        const bars = [...a, ...b, ...a];
        const low = scoreOf(bars, 'C');
        const high = scoreOf(
          bars.map((x) => x.map((n) => n + 1)),
          'D',
        );
        const here = findSameness(low);
        const there = findSameness(high);
        expect(there.repeats.map((r) => shape(high, r)).sort()).toEqual(here.repeats.map((r) => shape(low, r)).sort());
        expect(there.repeats.map((r) => r.semitones)).toEqual(here.repeats.map((r) => r.semitones));
        expect(there.ostinatos).toEqual(here.ostinatos);
      }),
      { numRuns: 100 },
    );
  });

  it('every repeat lies inside the piece, its places do not overlap and are of one length', () => {
    fc.assert(
      fc.property(fc.array(bar, { minLength: 1, maxLength: 12 }), (bars) => {
        for (const r of findSameness(scoreOf(bars)).repeats) {
          expect(r.a[1] - r.a[0]).toBe(r.b[1] - r.b[0]);
          expect(r.b[0]).toBeGreaterThan(r.a[1]);
          expect(r.b[1]).toBeLessThan(bars.length);
        }
      }),
      { numRuns: 150 },
    );
  });
});

describe('the pay-off', () => {
  it('is never below 1 − 1/e of the best choice, by brute force', () => {
    fc.assert(
      fc.property(fc.array(bar, { minLength: 2, maxLength: 7 }), fc.integer({ min: 1, max: 4 }), (bars, size) => {
        const score = scoreOf(bars);
        const pay = piecePay(score);
        const k = Math.min(size, bars.length);
        let best = 0;
        for (let mask = 0; mask < 1 << bars.length; mask += 1) {
          const set = bars.map((_, i) => i).filter((i) => mask & (1 << i));
          if (set.length === k) best = Math.max(best, payOffValue(pay, set));
        }
        const steps = payOff(score);
        const greedy = steps[Math.min(k, steps.length) - 1]?.seconds ?? 0;
        expect(greedy).toBeGreaterThanOrEqual((1 - 1 / Math.E) * best - 1e-9);
      }),
      { numRuns: 100 },
    );
  });
  it('grows with every bar and ends at the whole piece', () => {
    fc.assert(
      fc.property(fc.array(bar, { minLength: 1, maxLength: 10 }), (bars) => {
        const steps = payOff(scoreOf(bars));
        steps.forEach((s, i) => expect(s.sharePlayed).toBeGreaterThan(steps[i - 1]?.sharePlayed ?? 0));
        expect(steps[steps.length - 1]?.sharePlayed).toBeCloseTo(1, 3);
      }),
      { numRuns: 80 },
    );
  });
});
