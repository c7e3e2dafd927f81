import type { BarContent, Line } from '../bar-content';
import { barSimilarity, oneNoteOther } from '../bar-similarity';
import { found, type Found } from './found';

/** Bars less alike than this are "other notes" inside a changed repeat. */
const ALIKE = 0.62;
/** A bar that is not alike may stand inside or at the end of a changed repeat when it has at least this. */
const RELATED = 0.4;
/** Similarity of bars by class, computed once a pair. */
export function similarities(bars: readonly BarContent[]): (i: number, j: number) => number {
  const exact = Int32Array.from(bars, (bar) => bar.exact);
  const classes = exact.reduce((most, one) => Math.max(most, one), 0) + 1;
  const known = new Float32Array(classes * classes).fill(-1);
  return (i, j) => {
    const one = exact[i] ?? -1;
    const other = exact[j] ?? -1;
    if (one === other) return 1;
    if (one < 0 || other < 0) return 0;
    const at = one < other ? one * classes + other : other * classes + one;
    const there = known[at] ?? -1;
    if (there >= 0) return there;
    const a = bars[i];
    const b = bars[j];
    if (!a || !b) return 0;
    // Bars of the same rhythm with one other note count as alike even where few notes make the share small.
    const value = oneNoteOther(a, b) ? Math.max(ALIKE, barSimilarity(a, b)) : barSimilarity(a, b);
    known[at] = value;
    return value;
  };
}

/**
 * Changed repeats on one diagonal: stretches of alike bars, with related ones among them and at their end as long as
 * there are at least three alike bars for each other one. Something must differ, and at least half of the bars must be
 * closely alike.
 */
export function changedRuns(line: Line, similarity: (i: number, j: number) => number): Found[] {
  const out: Found[] = [];
  const { bars } = line;
  const n = bars.length;
  const alike = (i: number, d: number): boolean => similarity(i, i + d) >= ALIKE;
  for (let d = 1; d < n; d += 1) {
    let i = 0;
    while (i + d < n) {
      if (!alike(i, d)) {
        i += 1;
        continue;
      }
      let good = 0;
      let other = 0;
      let close = 0;
      let differs = false;
      let end = i;
      while (end + d < n && end - i < d) {
        const s = similarity(end, end + d);
        if (s >= ALIKE) good += 1;
        else if (s >= RELATED) other += 1;
        else break;
        if (other > good / 3) break;
        if (s > ALIKE + 1e-6) close += 1;
        if (s < 1) differs = true;
        end += 1;
      }
      const length = end - i;
      const enough = length >= 2 ? close * 2 >= length : close === 1 && (bars[i]?.notes.length ?? 0) >= 3;
      if (differs && enough) out.push(found('changed', i, i + d, length));
      i = Math.max(end, i + 1);
    }
  }
  return out;
}
