import type { Score } from './model';

/**
 * A score of which only some bars are written: all bars, ids and times stay, everything in the others is gone.
 *
 * @example onlyBars(score, (bar) => bar === 0).notes.every((n) => n.bar === 0) // → true
 */
export function onlyBars(score: Score, isIn: (bar: number) => boolean): Score {
  const here = <T extends { readonly bar: number }>(list: readonly T[]): readonly T[] =>
    list.filter((e) => isIn(e.bar));
  return {
    ...score,
    notes: here(score.notes),
    rests: here(score.rests),
    directions: here(score.directions),
    chords: here(score.chords),
    warnings: [],
  };
}
