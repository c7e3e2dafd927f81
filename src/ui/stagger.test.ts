import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { rowsApart, staggered, textWidth } from './stagger';

describe('labels over the music', () => {
  it('stay in one row where there is room, and go below where there is none', () => {
    expect(staggered([])).toEqual([]);
    expect(
      staggered([
        { x: 10, width: 20 },
        { x: 60, width: 20 },
      ]),
    ).toEqual([0, 0]);
    expect(
      staggered([
        { x: 10, width: 20 },
        { x: 25, width: 20 },
        { x: 60, width: 20 },
      ]),
    ).toEqual([0, 1, 0]);
  });
  it('never cover one another in a row, in whatever order they come', () => {
    const label = fc.record({ x: fc.integer({ min: 0, max: 800 }), width: fc.integer({ min: 5, max: 200 }) });
    fc.assert(
      fc.property(fc.array(label, { maxLength: 25 }), (labels) => {
        const rows = staggered(labels);
        labels.forEach((a, i) =>
          labels.forEach((b, k) => {
            if (i < k && rows[i] === rows[k])
              expect(Math.abs(a.x - b.x)).toBeGreaterThanOrEqual((a.width + b.width) / 2);
          }),
        );
      }),
    );
  });
  it('are as wide as their letters', () => expect(textWidth('Bm/F♯')).toBeGreaterThan(textWidth('Bm')));
});

describe('rowsApart', () => {
  it('leaves signs that are not on one place in their rows', () => {
    expect(
      rowsApart([
        { x: 10, row: 0 },
        { x: 40, row: 0 },
        { x: 10, row: 1 },
      ]),
    ).toEqual([0, 0, 1]);
  });

  it('puts the dynamics of two hands on one place below one another, and what is below them further down', () => {
    expect(
      rowsApart([
        { x: 10, row: 0 },
        { x: 12, row: 0 },
        { x: 10, row: 1 },
        { x: 80, row: 0 },
      ]),
    ).toEqual([0, 1, 2, 0]);
  });
});
