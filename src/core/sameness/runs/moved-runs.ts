import type { Line } from '../bar-content';
import { found, type Found } from './found';

/** Stretches that come again higher or lower, by semitones or by steps of the key. */
export function movedRuns(line: Line, which: 'chromatic' | 'diatonic'): Found[] {
  const out: Found[] = [];
  const { bars } = line;
  for (let d = 1; d < bars.length; d += 1) {
    let shift: { key: number; step: number } | null = null;
    let start = -1;
    const close = (end: number): void => {
      // A single bar of one or two notes that comes higher is melody, not a copy.
      if (start >= 0 && shift && (end - start >= 2 || (end - start === 1 && (bars[start]?.notes.length ?? 0) >= 3)))
        out.push(
          found('moved', start, start + d, end - start, {
            semitones: shift.key,
            steps: shift.step,
            diatonic: which === 'diatonic',
          }),
        );
      start = -1;
      shift = null;
    };
    for (let i = 0; i + d < bars.length; i += 1) {
      const a = bars[i];
      const b = bars[i + d];
      const same = a && b && a[which] >= 0 && a[which] === b[which] && a.anchor && b.anchor;
      const here: { key: number; step: number } | null =
        same && a.anchor && b.anchor ? { key: b.anchor.key - a.anchor.key, step: b.anchor.step - a.anchor.step } : null;
      const moves = here !== null && (which === 'chromatic' ? here.key !== 0 : here.step !== 0);
      const goesOn: boolean =
        moves &&
        shift !== null &&
        (which === 'chromatic' ? shift.key === here.key : shift.step === here.step) &&
        i - start < d;
      if (goesOn) continue;
      close(i);
      if (moves) {
        start = i;
        shift = here;
      }
    }
    close(bars.length - d);
  }
  return out;
}
