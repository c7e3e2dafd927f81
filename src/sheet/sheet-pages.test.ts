import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { PAPERS } from '@/core/studio';
import { contentHeight, contentWidth, engravingScale, SIZES } from './paper';
import { pagesOf } from './sheet-pages';

describe('what stands on which page', () => {
  it('goes on in order, on a new page where there is no room, and cuts nothing', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 120 }), { maxLength: 30 }), (heights) => {
        const pages = pagesOf(heights, 100);
        expect(pages.flat()).toEqual(heights.map((_, i) => i));
        for (const page of pages) {
          const tall = page.reduce((sum, i) => sum + (heights[i] ?? 0), 0);
          // Only what is taller than a page by itself is.
          expect(tall <= 100 || page.length === 1).toBe(true);
        }
        // Nothing would have fitted on the page before.
        pages.slice(1).forEach((page, p) => {
          const before = (pages[p] ?? []).reduce((sum, i) => sum + (heights[i] ?? 0), 0);
          expect(before + (heights[page[0] ?? 0] ?? 0)).toBeGreaterThan(100);
        });
      }),
    );
    expect(pagesOf([], 100)).toEqual([[]]);
    // What begins a page does so wherever it comes.
    expect(pagesOf([10, 10, 10], 100, (i) => i === 1)).toEqual([[0], [1, 2]]);
  });
});

describe('paper', () => {
  it('is A4 (ISO 216) or Letter (ANSI Y14.1), with margins a hand and a printer need', () => {
    const mm = (px: number): number => Math.round((px / 96) * 25.4);
    expect(PAPERS.map((p) => [mm(contentWidth(p)), mm(contentHeight(p))])).toEqual([
      [184, 271],
      [190, 253],
    ]);
  });
  it('has staves as high as is asked: 11, 8 and 6.5 millimetres', () => {
    // The engraver draws a staff of 72 pixels at full size; 96 pixels are an inch.
    const staffs = SIZES.map((s) => ((engravingScale(s) / 100) * 72 * 25.4) / 96);
    [11, 8, 6.5].forEach((staff, i) => expect(staffs[i]).toBeCloseTo(staff, 1));
  });
});
