import { ALIKE, ROUNDING, type AlikeClass } from '../alike-bars';
import { lastWhere } from '../../score';
import type { Line } from '../bar-content';
import { barSimilarity, oneNoteOther } from '../bar-similarity';
import { found, type Found } from './found';
import { widestCopies } from './widest-copies';

/** A bar that is not alike may stand inside or at the end of a changed repeat when it has at least this. */
const RELATED = 0.4 - ROUNDING;

/**
 * Of the later bars that are alike a bar so many are looked at, the likest first and of those the next: what is alike
 * so often is no near repeat of one place but the way the whole piece goes. Chosen by us.
 */
const MOST_ALIKE = 200;

/** Visits for a bar later ones that are alike, the very same and other silent ones included. */
function laterAlike(
  { bars }: Line,
  alike: readonly (readonly AlikeClass[])[],
): (i: number, visit: (j: number) => void) => void {
  const places = new Map<number, number[]>();
  bars.forEach((bar, i) => {
    const list = places.get(bar.exact);
    if (list) list.push(i);
    else places.set(bar.exact, [i]);
  });
  return (i, visit) => {
    let left = MOST_ALIKE;
    const after = (exact: number): void => {
      const list = places.get(exact) ?? [];
      for (let k = lastWhere(list, (j) => j <= i) + 1; k < list.length && left > 0; k += 1, left -= 1)
        visit(list[k] ?? 0);
    };
    const exact = bars[i]?.exact ?? -1;
    after(exact);
    for (const other of alike[exact] ?? []) {
      if (left === 0) return;
      after(other.exact);
    }
  };
}

/**
 * Changed repeats, the widest at each bar: stretches of alike bars, with related ones among them and at their end as
 * long as there are at least three alike bars for each other one. Something must differ, and at least half of the bars
 * must be closely alike. They grow from bars that are alike (`alike`, by class).
 */
export function changedRuns(line: Line, alike: readonly (readonly AlikeClass[])[]): Found[] {
  const { bars } = line;
  const n = bars.length;
  const similarity = (i: number, j: number): number => {
    const [a, b] = [bars[i], bars[j]];
    if (!a || !b) return 0;
    const share = barSimilarity(a, b);
    // Bars of the same rhythm with one other note count as alike even where few notes make the share small.
    return share < ALIKE - ROUNDING && oneNoteOther(a, b) ? ALIKE : share;
  };
  const later = laterAlike(line, alike);
  const copies = widestCopies(n);
  // By distance: up to where it was looked at already.
  const lookedAt = new Int32Array(n);
  const grow = (i: number, d: number): number => {
    let good = 0;
    let other = 0;
    let close = 0;
    let differs = false;
    let end = i;
    while (end + d < n && end - i < d) {
      const s = similarity(end, end + d);
      if (s >= ALIKE - ROUNDING) good += 1;
      else if (s >= RELATED) other += 1;
      else break;
      if (other > good / 3) break;
      if (s > ALIKE + 1e-6) close += 1;
      if (s < 1) differs = true;
      end += 1;
    }
    const length = end - i;
    const enough = length >= 2 ? close * 2 >= length : close === 1 && (bars[i]?.notes.length ?? 0) >= 3;
    if (differs && enough) copies.offer(i, i + d, length);
    return Math.max(end, i + 1);
  };
  for (let i = 0; i < n; i += 1)
    later(i, (j) => {
      const d = j - i;
      if (i >= (lookedAt[d] ?? 0)) lookedAt[d] = grow(i, d);
    });
  return copies.all((i, j, length) => found('changed', i, j, length));
}
