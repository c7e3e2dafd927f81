import type { Line } from '../bar-content';
import { found, type Found } from './found';
import type { IsExplained } from './selection';

/**
 * Stretches that come again higher or lower, by semitones or by steps of the key; what is explained better is left
 * out.
 */
export function movedRuns(line: Line, which: 'chromatic' | 'diatonic', isExplained: IsExplained): Found[] {
  const out: Found[] = [];
  const { bars } = line;
  for (let d = 1; d < bars.length; d += 1) {
    let start = -1;
    let semitones = 0;
    let steps = 0;
    const close = (end: number): void => {
      // A single bar of one or two notes that comes higher is melody, not a copy.
      const enough = end - start >= 2 || (end - start === 1 && (bars[start]?.notes.length ?? 0) >= 3);
      if (start >= 0 && enough && !isExplained(start + d, end + d))
        out.push(found('moved', start, start + d, end - start, { semitones, steps, diatonic: which === 'diatonic' }));
      start = -1;
    };
    for (let i = 0; i + d < bars.length; i += 1) {
      const a = bars[i];
      const b = bars[i + d];
      const from = a?.anchor;
      const to = b?.anchor;
      if (!a || !b || !from || !to || a[which] < 0 || a[which] !== b[which]) {
        close(i);
        continue;
      }
      const up = to.key - from.key;
      const by = to.step - from.step;
      const moves = (which === 'chromatic' ? up : by) !== 0;
      const asBefore = which === 'chromatic' ? up === semitones : by === steps;
      if (moves && start >= 0 && asBefore && i - start < d) continue;
      close(i);
      if (moves) {
        start = i;
        semitones = up;
        steps = by;
      }
    }
    close(bars.length - d);
  }
  return out;
}
