/**
 * The place of the last item for which something holds, in a list in which it holds up to there and no further, as in
 * notes by their onset; -1 where it holds for none. Halves the list at each step.
 *
 * @example lastWhere([1, 4, 9], (n) => n < 5) // → 1
 */
export function lastWhere<T>(list: readonly T[], holds: (item: T) => boolean): number {
  let low = -1;
  let high = list.length;
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    const item = list[middle];
    if (item !== undefined && holds(item)) low = middle;
    else high = middle;
  }
  return low;
}
