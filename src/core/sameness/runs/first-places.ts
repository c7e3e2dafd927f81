/**
 * The first of many places that has another mark than one to be avoided, in two ways at once: asked of any run of
 * places, answered in few steps by a tree over them.
 */
export interface FirstPlaces {
  /**
   * The least place among those at `from` to `to` (both included) of the row whose marks are neither of these; -1 where
   * none is.
   */
  readonly avoiding: (from: number, to: number, first: number, second: number) => number;
}

/** Places kept for one run: enough to answer whatever is to be avoided. */
const KEPT = 5;

/**
 * `row` holds places in any order, -1 for none; `first` and `second` the marks of each place.
 *
 * @example firstPlaces([2, 0, 1], [7, 8, 8], [0, 0, 0]).avoiding(0, 2, 7, 1) // → 1
 */
export function firstPlaces(row: ArrayLike<number>, first: ArrayLike<number>, second: ArrayLike<number>): FirstPlaces {
  const leaves = 2 ** Math.ceil(Math.log2(Math.max(1, row.length)));
  const kept = new Int32Array(leaves * 2 * KEPT).fill(-1);
  /** The least of the places kept by the two nodes below one, without the marks of these places (-1 avoids nothing). */
  const below = (node: number, notAsFirst: number, notAsSecond: number): number => {
    let found = -1;
    for (let k = node * 2 * KEPT; k < (node + 1) * 2 * KEPT; k += 1) {
      const place = kept[k] ?? -1;
      if (place < 0 || (found >= 0 && place >= found)) continue;
      if (notAsFirst >= 0 && first[place] === first[notAsFirst]) continue;
      if (notAsSecond >= 0 && second[place] === second[notAsSecond]) continue;
      found = place;
    }
    return found;
  };
  for (let k = 0; k < row.length; k += 1) kept[(leaves + k) * KEPT] = row[k] ?? -1;
  // The least place, and the least ones where it, or the one after it, is to be avoided in either way.
  for (let node = leaves - 1; node > 0; node -= 1) {
    const least = below(node, -1, -1);
    if (least < 0) continue;
    const otherFirst = below(node, least, -1);
    const otherSecond = below(node, -1, least);
    const at = node * KEPT;
    kept[at] = least;
    kept[at + 1] = otherFirst;
    kept[at + 2] = otherFirst < 0 ? -1 : below(node, least, otherFirst);
    kept[at + 3] = otherSecond;
    kept[at + 4] = otherSecond < 0 ? -1 : below(node, otherSecond, least);
  }
  return {
    avoiding: (from, to, one, two) => {
      let found = -1;
      let low = from + leaves;
      let high = to + leaves + 1;
      while (low < high) {
        // At each height at most one node at either edge is not held by one above.
        for (const node of [low & 1 ? low : 0, high & 1 ? high - 1 : 0]) {
          if (node === 0) continue;
          for (let k = node * KEPT; k < (node + 1) * KEPT; k += 1) {
            const place = kept[k] ?? -1;
            if (place < 0 || (found >= 0 && place >= found)) continue;
            if (first[place] !== one && second[place] !== two) found = place;
          }
        }
        low = (low + (low & 1)) >> 1;
        high = (high - (high & 1)) >> 1;
      }
      return found;
    },
  };
}
