import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { copiesInRow } from './copies-in-row';
import { firstPlaces } from './first-places';
import { suffixRow } from './suffix-row';

/** Few symbols, so that much comes again; -1 is like nothing. */
const row = fc.array(fc.integer({ min: -1, max: 3 }), { minLength: 1, maxLength: 40 });
const agreement = (symbols: readonly number[], i: number, j: number): number => {
  let length = 0;
  while (
    j + length < symbols.length &&
    i + length < symbols.length &&
    symbols[i + length] === symbols[j + length] &&
    (symbols[i + length] ?? -1) >= 0
  )
    length += 1;
  return length;
};

describe('a row of symbols', () => {
  it('tells how much two places share, as comparing them does', () => {
    fc.assert(
      fc.property(row, fc.nat(), fc.nat(), (symbols, a, b) => {
        const [i, j] = [a % symbols.length, b % symbols.length];
        fc.pre(i !== j);
        expect(suffixRow(Int32Array.from(symbols)).shared(i, j)).toBe(agreement(symbols, i, j));
      }),
      { numRuns: 300 },
    );
  });
  it('names all places that share so much with one, and no other', () => {
    fc.assert(
      fc.property(row, fc.nat(), fc.integer({ min: 1, max: 6 }), (symbols, a, wanted) => {
        const place = a % symbols.length;
        const suffixes = suffixRow(Int32Array.from(symbols));
        const [from, to] = suffixes.sharing(place, wanted);
        const named = Array.from({ length: to - from + 1 }, (_, k) => suffixes.placeAt(from + k));
        const alike = symbols.flatMap((_, other) =>
          other === place || agreement(symbols, place, other) >= wanted ? [other] : [],
        );
        expect(named.sort((x, y) => x - y)).toEqual(alike);
      }),
      { numRuns: 300 },
    );
  });
});

describe('the first place without some marks', () => {
  it('is that found by looking at all', () => {
    const mark = fc.integer({ min: 0, max: 3 });
    const marked = fc.array(fc.tuple(mark, mark, fc.boolean()), { minLength: 1, maxLength: 30 });
    fc.assert(
      fc.property(marked, fc.nat(), fc.nat(), mark, mark, (places, a, b, one, two) => {
        const rows = places.map(([, , isThere], k) => (isThere ? (k * 7) % places.length : -1));
        const first = places.map(([m]) => m);
        const second = places.map(([, m]) => m);
        const [from, to] = [a % places.length, b % places.length].sort((x, y) => x - y) as [number, number];
        const found = rows
          .slice(from, to + 1)
          .filter((p) => p >= 0 && first[p] !== one && second[p] !== two)
          .sort((x, y) => x - y)[0];
        expect(firstPlaces(rows, first, second).avoiding(from, to, one, two)).toBe(found ?? -1);
      }),
      { numRuns: 400 },
    );
  });
});

describe('copies in a row', () => {
  it('hold every stretch that comes again without overlapping its model', () => {
    fc.assert(
      fc.property(row, (symbols) => {
        const found: (readonly [number, number, number])[] = [];
        copiesInRow(
          { symbols: Int32Array.from(symbols), stride: 1, marks: symbols.map((_, i) => i) },
          (model, copy, length) => {
            expect(model + length).toBeLessThanOrEqual(copy);
            expect(agreement(symbols, model, copy)).toBeGreaterThanOrEqual(length);
            found.push([model, copy, length]);
          },
        );
        // Any stretch that agrees, and cannot begin earlier, is inside one of them: in pieces where it is longer than
        // the distance.
        for (let j = 1; j < symbols.length; j += 1)
          for (let i = 0; i < j; i += 1) {
            const isBegun = i > 0 && symbols[i - 1] === symbols[j - 1] && (symbols[i - 1] ?? -1) >= 0;
            const length = agreement(symbols, i, j);
            if (isBegun || length === 0) continue;
            for (let k = 0; k < length; k += j - i) {
              const [from, end] = [j + k, j + Math.min(length, k + j - i)];
              expect(found.some(([, copy, bars]) => copy <= from && copy + bars >= end)).toBe(true);
            }
          }
      }),
      { numRuns: 300 },
    );
  });
});
