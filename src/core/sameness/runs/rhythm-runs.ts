import type { Line } from '../bar-content';
import { copiesInRow } from './copies-in-row';
import { found, type Found } from './found';
import type { IsExplained } from './selection';
import { widestCopies } from './widest-copies';

/** Stretches of two bars and more in the same rhythm, the widest at each bar; what is explained better is left out. */
export function rhythmRuns(line: Line, isExplained: IsExplained): Found[] {
  const { bars } = line;
  const copies = widestCopies(bars.length);
  const symbols = Int32Array.from(bars, (bar) => bar.rhythm);
  copiesInRow({ symbols, stride: 1, marks: bars.map((_, i) => i) }, copies.offer);
  return copies.all((i, j, length) =>
    length >= 2 && !isExplained(j, j + length) ? found('rhythm', i, j, length) : null,
  );
}
