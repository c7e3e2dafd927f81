import type { Line } from '../bar-content';
import { found, runs, type Found } from './found';

/** Stretches that come again note by note. */
export function exactRuns(line: Line): Found[] {
  const out: Found[] = [];
  const { bars } = line;
  const same = (i: number, j: number): boolean => (bars[i]?.exact ?? -1) === (bars[j]?.exact ?? -1);
  for (let d = 1; d < bars.length; d += 1)
    runs(bars.length, d, same, (i, length) => {
      // Empty bars neither begin nor end a repeat, and alone are none.
      let from = i;
      let to = i + length - 1;
      while (from <= to && bars[from]?.notes.length === 0) from += 1;
      while (to >= from && bars[to]?.notes.length === 0) to -= 1;
      if (to >= from) out.push(found('exact', from, from + d, to - from + 1));
    });
  return out;
}
