import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { barLines } from '../sameness';
import { scoreOfAbc } from '../studio/abc-for-tests';
import { alikeRanges } from './alike-ranges';
import { likeness, SAME_FROM, type Range } from './likeness';

const BARS = ['C D E F', 'C D E G', 'E F G A', 'G4', 'z4', 'c/B/A/G/ F2', 'C2 E2', 'D2 F2'] as const;
const piece = fc.array(fc.constantFrom(...BARS), { minLength: 4, maxLength: 32 });
const lengths = fc.array(fc.integer({ min: 1, max: 8 }), { minLength: 16, maxLength: 16 });

function rangesOf(bars: number, sizes: readonly number[]): readonly Range[] {
  const out: Range[] = [];
  for (let from = 0, k = 0; from < bars; k += 1) {
    const to = Math.min(bars, from + (sizes[k % sizes.length] ?? 4)) - 1;
    out.push([from, to]);
    from = to + 1;
  }
  return out;
}

describe('ranges that are alike', () => {
  it('are those that comparing each with each finds', () => {
    fc.assert(
      fc.property(piece, lengths, (bars, sizes) => {
        const { all, staves } = barLines(scoreOfAbc(`X:1\nM:4/4\nL:1/4\nK:C\n${bars.join(' | ')} |]`));
        const lines = { all, tune: staves[0] ?? all };
        const ranges = rangesOf(bars.length, sizes);
        const alike = alikeRanges(lines, ranges);
        ranges.forEach((b, j) => {
          let likest: { readonly index: number; readonly share: number } | null = null;
          const earlier: number[] = [];
          ranges.slice(0, j).forEach((a, i) => {
            const { share } = likeness(lines, a, b);
            if (share >= SAME_FROM) earlier.push(i);
            expect(alike.shareOf(i, j)).toBeCloseTo(share >= SAME_FROM ? share : 0, 9);
            if (share >= SAME_FROM && share > (likest?.share ?? 0) + 1e-9) likest = { index: i, share };
          });
          expect([...alike.earlier(j, 100)].sort((x, y) => x - y)).toEqual(earlier);
          expect(alike.likest(j)).toBe((likest as { readonly index: number } | null)?.index ?? null);
        });
      }),
      { numRuns: 120 },
    );
  });
});
