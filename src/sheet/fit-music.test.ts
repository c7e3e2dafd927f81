import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ALL_MUSIC, fitMusic } from './fit-music';

/** What is left out in the end, where the words and each task's music have a height and a page is 100 high. */
function leftOut(words: number, music: ReadonlyMap<string, number>, order: readonly string[]): readonly string[] {
  let fit = ALL_MUSIC;
  for (let i = 0; i < 3 * order.length + 3 && fit.step.kind !== 'done'; i += 1)
    fit = fitMusic(fit, order, heightOf(words, music, fit.leftOut) <= 100 ? 1 : 2);
  expect(fit.step.kind).toBe('done');
  return fit.leftOut;
}
const heightOf = (words: number, music: ReadonlyMap<string, number>, out: readonly string[]): number =>
  words + [...music].reduce((sum, [id, h]) => sum + (out.includes(id) ? 0 : h), 0);

describe('music that fits on one page', () => {
  it('is all of it where there is room, and all of it where the words alone take more', () => {
    expect(leftOut(20, new Map([['a', 30]]), ['a'])).toEqual([]);
    expect(leftOut(120, new Map([['a', 30]]), ['a'])).toEqual([]);
  });
  it('comes back where leaving out a large one made room for a small one', () => {
    const music = new Map([
      ['small', 20],
      ['large', 60],
    ]);
    expect(leftOut(50, music, ['small', 'large'])).toEqual(['large']);
  });
  it('is looked for anew where more room is taken later, and left alone where it was in vain', () => {
    const done = fitMusic(ALL_MUSIC, ['a'], 1);
    expect(fitMusic(done, ['a'], 1)).toBe(done);
    expect(fitMusic(done, ['a'], 2)).toBe(ALL_MUSIC);
    const vain = fitMusic(fitMusic(ALL_MUSIC, ['a'], 2), ['a'], 2);
    expect(fitMusic(vain, ['a'], 2)).toBe(vain);
  });
  it('fits, and none could be put back', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 100 }),
        fc.array(fc.integer({ min: 1, max: 60 }), { minLength: 1, maxLength: 7 }),
        (words, heights) => {
          const order = heights.map((_, i) => `t${i}`);
          const music = new Map(order.map((id, i) => [id, heights[i] ?? 0]));
          const out = leftOut(words, music, order);
          expect(heightOf(words, music, out)).toBeLessThanOrEqual(100);
          for (const id of out)
            expect(
              heightOf(
                words,
                music,
                out.filter((o) => o !== id),
              ),
            ).toBeGreaterThan(100);
        },
      ),
    );
  });
});
