import { freeTimeIn, type Score } from '../score';

/**
 * Bars in which time is free by the words of the page: nobody clicks there.
 *
 * @example freeBars(score).size // → 0
 */
export function freeBars(score: Score): ReadonlySet<number> {
  if (!score.directions.some((d) => d.kind === 'words')) return new Set();
  return new Set(score.bars.filter(({ index }) => freeTimeIn(score, index, index) !== null).map((b) => b.index));
}
