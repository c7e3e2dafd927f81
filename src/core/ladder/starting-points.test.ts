import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { scoreOfAbc } from '../studio/abc-for-tests';
import { drawnOrder, startingPoints } from './starting-points';

const bars = (n: number) => scoreOfAbc(`X:1\nM:4/4\nL:1/4\nK:C\n${'C4|'.repeat(n)}`);

describe('starting points', () => {
  it('are where sections and phrases begin, each bar once, the section named', () =>
    expect(
      startingPoints(
        bars(8),
        [
          { from: 0, name: 'A' },
          { from: 4, name: 'B' },
        ],
        [{ from: 0 }, { from: 2 }, { from: 4 }],
      ),
    ).toEqual([
      { bar: 0, why: 'A begins' },
      { bar: 2, why: 'a phrase begins' },
      { bar: 4, why: 'B begins' },
    ]));
  it('are the beginning where nothing is known of the piece, and none where it is empty', () => {
    expect(startingPoints(bars(4), [], [])).toEqual([{ bar: 0, why: 'the beginning' }]);
    expect(startingPoints({ ...bars(1), bars: [] }, [], [])).toEqual([]);
  });
  it('part a stretch of more than eight bars evenly', () => {
    expect(startingPoints(bars(8), [], []).map((p) => p.bar)).toEqual([0]);
    expect(startingPoints(bars(9), [], []).map((p) => p.bar)).toEqual([0, 5]);
    expect(startingPoints(bars(24), [], [{ from: 4 }])).toEqual([
      { bar: 0, why: 'the beginning' },
      { bar: 4, why: 'a phrase begins' },
      { bar: 11, why: 'in the middle of a long stretch' },
      { bar: 17, why: 'in the middle of a long stretch' },
    ]);
  });
});

describe('a drawn order', () => {
  const points = [0, 4, 8, 12].map((bar) => ({ bar, why: '' }));
  it('follows the chance that it is given', () => {
    expect(drawnOrder(points, () => 0).map((p) => p.bar)).toEqual([0, 8, 4, 12]);
    expect(drawnOrder(points, () => 0.999).map((p) => p.bar)).toEqual([12, 8, 4, 0]);
    // A chance of one does not fall off the end.
    expect(drawnOrder(points, () => 1).map((p) => p.bar)).toEqual([12, 8, 4, 0]);
  });
  it('has every point once, and what follows in the piece right after only where nothing else is left', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 8 }),
        fc.array(fc.double({ min: 0, max: 0.999, noNaN: true })),
        (n, draws) => {
          const all = Array.from({ length: n }, (_, i) => ({ bar: i * 4, why: '' }));
          let at = 0;
          const order = drawnOrder(all, () => draws[(at += 1) % Math.max(1, draws.length)] ?? 0.5);
          expect([...order].sort((a, b) => a.bar - b.bar)).toEqual(all);
          order.forEach((point, i) => {
            const before = order[i - 1];
            if (before && point.bar === before.bar + 4) expect(order.slice(i)).toEqual([point]);
          });
        },
      ),
    );
  });
});
