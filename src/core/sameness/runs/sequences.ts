import type { Line } from '../bar-content';
import { found, type Found } from './found';
import { prefixMax } from './prefix-max';

/** The longest model, in bars, and the widest step from one to the next, in staff steps. Chosen by us. */
const LONGEST_MODEL = 8;
const WIDEST_STEP = 5;

/** Chains of a model and copies of it, each moved by the same number of staff steps from the one before. */
export function sequences(line: Line): Found[] {
  const { bars } = line;
  const out: Found[] = [];
  // What lies inside a chain that is told says nothing more.
  const told = prefixMax(bars.length + 1);
  for (let length = 1; length <= Math.min(LONGEST_MODEL, bars.length / 2); length += 1)
    for (let i = 0; i + 2 * length <= bars.length; i += 1) {
      const step = (at: number): number | null => {
        let moved: number | null = null;
        for (let k = 0; k < length; k += 1) {
          const a = bars[at + k];
          const b = bars[at + length + k];
          if (!a?.anchor || !b?.anchor || a.diatonic < 0 || a.diatonic !== b.diatonic) return null;
          const by = b.anchor.step - a.anchor.step;
          if (by === 0 || (moved !== null && moved !== by)) return null;
          moved = by;
        }
        return moved;
      };
      const first = step(i);
      if (first === null || Math.abs(first) > WIDEST_STEP) continue;
      let times = 2;
      while (i + (times + 1) * length <= bars.length && step(i + (times - 1) * length) === first) times += 1;
      // A single bar of one note that moves is melody, not a sequence.
      let notes = 0;
      for (let k = i; k < i + length; k += 1) notes += bars[k]?.notes.length ?? 0;
      if (notes < 3 || (length === 1 && times === 2 && notes < 4)) continue;
      const end = i + times * length;
      if (told.upTo(i) >= end) continue;
      told.note(i, end);
      const a = bars[i]?.anchor;
      const b = bars[i + length]?.anchor;
      out.push(
        found('sequence', i, i + length, length, {
          steps: first,
          semitones: a && b ? b.key - a.key : 0,
          diatonic: bars[i]?.chromatic !== bars[i + length]?.chromatic,
          times,
        }),
      );
    }
  return out;
}
