/** A pause longer than this, in milliseconds, begins a new count of taps. */
const NEW_COUNT_AFTER = 2500;

/**
 * Beats a minute from the times of taps in milliseconds, oldest first: the median of the last gaps. Null under two
 * taps.
 *
 * @example tappedTempo([0, 500, 1000, 1500]) // → 120
 */
export function tappedTempo(taps: readonly number[]): number | null {
  let first = taps.length - 1;
  while (first > 0 && (taps[first] ?? 0) - (taps[first - 1] ?? 0) < NEW_COUNT_AFTER) first -= 1;
  const gaps = taps
    .slice(first + 1)
    .map((t, i) => t - (taps[first + i] ?? t))
    .filter((g) => g > 0)
    .slice(-8)
    .sort((a, b) => a - b);
  if (gaps.length === 0) return null;
  const middle = Math.floor(gaps.length / 2);
  const gap = gaps.length % 2 === 1 ? (gaps[middle] ?? 1) : ((gaps[middle - 1] ?? 1) + (gaps[middle] ?? 1)) / 2;
  return Math.round(60_000 / gap);
}
