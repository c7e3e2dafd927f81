/** A best division of a row of bars: the gain of each cut taken, less what its pieces cost by their length. */
export interface Division {
  /** First bars of the pieces, the first of all included. */
  readonly starts: readonly number[];
  readonly value: number;
}

/**
 * The division of bars `from` to `to` (both included) with the largest value. `gain(bar)` is what a cut before that bar
 * is worth, `cost(length)` what a piece of that many bars costs, `must(bar)` where a cut has to be. Cuts always tile
 * the range. Ties go to fewer and later pieces; an empty range has no pieces. Time grows with bars × longest piece.
 */
export function bestDivision(
  from: number,
  to: number,
  gain: (bar: number) => number,
  cost: (start: number, end: number) => number,
  must: (bar: number) => boolean,
  longest: number,
): Division {
  const n = to - from + 1;
  if (n <= 0) return { starts: [], value: 0 };
  const best: number[] = [0];
  const back: number[] = [-1];
  for (let end = 1; end <= n; end += 1) {
    let value = -Infinity;
    let chosen = end - 1;
    for (let start = end - 1; start >= Math.max(0, end - longest); start -= 1) {
      const v = (best[start] ?? -Infinity) + (start > 0 ? gain(from + start) : 0) - cost(from + start, from + end - 1);
      if (v > value + 1e-12) {
        value = v;
        chosen = start;
      }
      if (start > 0 && must(from + start)) break;
    }
    best.push(value);
    back.push(chosen);
  }
  const starts: number[] = [];
  for (let end = n; end > 0; end = back[end] ?? 0) starts.unshift(from + (back[end] ?? 0));
  return { starts, value: best[n] ?? 0 };
}
