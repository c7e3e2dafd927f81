import type { Line } from '../bar-content';
import { copiesInRow } from './copies-in-row';
import { found, type Found } from './found';
import { widestCopies } from './widest-copies';

/** What is told by figures that go on and need not be told again. */
export interface SaidByFigure {
  /** Whether these bars are inside a figure, as copies of what comes before. */
  readonly covers: (copy: number, length: number) => boolean;
  /** Whether a figure comes again for the first time here: that is told. */
  readonly isFirst: (model: number, copy: number, length: number) => boolean;
}

/**
 * Stretches that come again note by note, the widest at each bar. Empty bars neither begin nor end a repeat, and alone
 * are none.
 */
export function exactRuns(line: Line, said: SaidByFigure): Found[] {
  const { bars } = line;
  const sounds = (bar: number): boolean => (bars[bar]?.notes.length ?? 0) > 0;
  const copies = widestCopies(bars.length);
  // By bar: the last bar at or before it, and the first at or after it, in which something sounds.
  const lastSound = new Int32Array(bars.length);
  const nextSound = new Int32Array(bars.length);
  for (let k = 0, last = -1; k < bars.length; k += 1) lastSound[k] = last = sounds(k) ? k : last;
  for (let k = bars.length - 1, next = bars.length; k >= 0; k -= 1) nextSound[k] = next = sounds(k) ? k : next;
  // Silence is like silence here: it may lie inside what comes again.
  const symbols = Int32Array.from(bars, (bar) => bar.exact + 1);
  const trimmed = (copy: number, length: number): number =>
    Math.max(0, (lastSound[copy + length - 1] ?? -1) - copy + 1);
  copiesInRow({ symbols, stride: 1, marks: bars.map((_, i) => i), trimmed }, (model, copy, length) => {
    const end = trimmed(copy, length);
    const from = (nextSound[copy] ?? copy) - copy;
    const [i, j, sounding] = [model + from, copy + from, end - from];
    if (sounding > 0 && (!said.covers(j, sounding) || said.isFirst(i, j, sounding))) copies.offer(i, j, sounding);
  });
  return copies.all((i, j, length) => found('exact', i, j, length));
}
