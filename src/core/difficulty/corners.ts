import type { BarDifficulty } from './bar-difficulty';

/** What makes a bar a corner, ours, set on the training pieces. */
export const CORNER_WEIGHTS = {
  /** So much above the easy bars of the piece: its lower quarter. */
  above: 1.6,
  /** Easy in itself is no corner, whatever the rest. */
  least: 2,
  /** At most one bar in so many. */
  oneIn: 6,
} as const;

/**
 * Bars that will cost the time: clearly above the piece’s own easy bars and not easy in themselves, hardest first, at
 * most one bar in six. A bar that has come before note for note is learned there.
 *
 * @example cornersOf(barDifficulties(score)) // → []
 */
export function cornersOf(difficulties: readonly BarDifficulty[]): BarDifficulty[] {
  const played = difficulties.filter((d) => d.score > 0);
  const sorted = played.map((d) => d.score).sort((a, b) => a - b);
  const easy = sorted[Math.floor(sorted.length / 4)] ?? 0;
  return played
    .filter((d) => d.copyOf === null && d.score >= easy + CORNER_WEIGHTS.above && d.score >= CORNER_WEIGHTS.least)
    .sort((a, b) => b.score - a.score || a.bar - b.bar)
    .slice(0, Math.ceil(difficulties.length / CORNER_WEIGHTS.oneIn));
}
