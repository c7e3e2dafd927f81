/**
 * Taps held against the notes they belong to: the best alignment of the whole row, not the nearest note of each tap. A
 * dynamic programme over both rows (the edit distance of Levenshtein, 1965, with times): a tap is paired with a note at
 * the cost of how far it is off, or left over, or the note is left without one.
 */
export interface Alignment {
  /** For each note the place of its tap; null where it was missed. */
  readonly taps: readonly (number | null)[];
  /** Places of taps that belong to no note. */
  readonly extra: readonly number[];
}

/** What it costs to miss a note or to tap once too often, in the unit of `reach`. */
const LEFT_OVER = 1;

/**
 * The alignment that costs least. A tap further from a note than `reach` seconds is never paired with it.
 *
 * @example alignTaps([0, 1, 2], [0.02, 2.05], 0.4).taps // → [0, null, 1]
 */
export function alignTaps(notes: readonly number[], taps: readonly number[], reach: number): Alignment {
  const width = taps.length + 1;
  const cost = new Float64Array((notes.length + 1) * width);
  const at = (n: number, t: number): number => cost[n * width + t] ?? Infinity;
  const pairCost = (n: number, t: number): number => {
    const off = Math.abs((taps[t] ?? Infinity) - (notes[n] ?? -Infinity)) / reach;
    // Two left over cost as much as one pair at the edge of the reach.
    return off > 1 ? Infinity : 2 * LEFT_OVER * off;
  };
  for (let n = 0; n <= notes.length; n += 1)
    for (let t = 0; t <= taps.length; t += 1) {
      if (n === 0 && t === 0) continue;
      cost[n * width + t] = Math.min(
        n > 0 ? at(n - 1, t) + LEFT_OVER : Infinity,
        t > 0 ? at(n, t - 1) + LEFT_OVER : Infinity,
        n > 0 && t > 0 ? at(n - 1, t - 1) + pairCost(n - 1, t - 1) : Infinity,
      );
    }
  const paired: (number | null)[] = notes.map(() => null);
  const extra: number[] = [];
  let n = notes.length;
  let t = taps.length;
  while (n > 0 || t > 0) {
    const here = at(n, t);
    if (n > 0 && t > 0 && here === at(n - 1, t - 1) + pairCost(n - 1, t - 1)) {
      n -= 1;
      t -= 1;
      paired[n] = t;
    } else if (n > 0 && here === at(n - 1, t) + LEFT_OVER) n -= 1;
    else {
      t -= 1;
      extra.unshift(t);
    }
  }
  return { taps: paired, extra };
}
