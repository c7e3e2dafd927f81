import type { Line } from '../bar-content';
import { found, type Found } from './found';

/** Chains of a model and copies of it, each moved by the same number of staff steps from the one before. */
export function sequences(line: Line): Found[] {
  const { bars } = line;
  const out: Found[] = [];
  const taken = new Set<string>();
  for (let length = 1; length <= Math.min(8, bars.length / 2); length += 1)
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
      if (first === null || Math.abs(first) > 5) continue;
      let times = 2;
      while (i + (times + 1) * length <= bars.length && step(i + (times - 1) * length) === first) times += 1;
      // A single bar of one note that moves is melody, not a sequence.
      const notes = bars.slice(i, i + length).reduce((sum, b) => sum + b.notes.length, 0);
      if (notes < 3 || (length === 1 && times === 2 && notes < 4)) continue;
      const span = `${i} ${i + times * length}`;
      if (taken.has(span) || [...taken].some((t) => covers(t, i, i + times * length))) continue;
      taken.add(span);
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

function covers(span: string, from: number, to: number): boolean {
  const [a = 0, b = 0] = span.split(' ').map(Number);
  return a <= from && b >= to;
}
