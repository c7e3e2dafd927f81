import type { Line } from '../bar-content';
import { found, runs, type Found } from './found';
import type { IsExplained } from './selection';

/** Stretches of at least two bars with the same rhythm; what is explained better is left out. */
export function rhythmRuns(line: Line, isExplained: IsExplained): Found[] {
  const out: Found[] = [];
  const { bars } = line;
  const rhythms = Int32Array.from(bars, (bar) => bar.rhythm);
  for (let d = 1; d < bars.length; d += 1)
    runs(
      bars.length,
      d,
      (i, j) => (rhythms[i] ?? -1) >= 0 && rhythms[i] === rhythms[j],
      (i, length) => {
        if (length >= 2 && !isExplained(i + d, i + d + length)) out.push(found('rhythm', i, i + d, length));
      },
    );
  return out;
}
