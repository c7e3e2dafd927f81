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
  // Millions of pairs are looked at: classes and places as plain numbers, -1 for what cannot move.
  const classes = Int32Array.from(bars, (bar) => (bar.anchor ? bar[which] : -1));
  const keys = Int32Array.from(bars, (bar) => bar.anchor?.key ?? 0);
  const places = Int32Array.from(bars, (bar) => bar.anchor?.step ?? 0);
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
      const face = classes[i] ?? -1;
      if (face < 0 || face !== classes[i + d]) {
        if (start >= 0) close(i);
        continue;
      }
      const up = (keys[i + d] ?? 0) - (keys[i] ?? 0);
      const by = (places[i + d] ?? 0) - (places[i] ?? 0);
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
