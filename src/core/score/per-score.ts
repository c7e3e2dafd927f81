import type { Score } from './model';

/**
 * The same computation, done once a score: a score never changes.
 *
 * @example perScore((s) => s.bars.length)(score) // → 8
 */
export const perScore = <T>(compute: (score: Score) => T): ((score: Score) => T) => {
  const known = new WeakMap<Score, T>();
  return (score) => {
    const there = known.get(score);
    if (there !== undefined) return there;
    const fresh = compute(score);
    known.set(score, fresh);
    return fresh;
  };
};
