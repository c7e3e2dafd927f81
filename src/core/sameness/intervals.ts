import { staffPosition, struckNotes, type Score } from '../score';

/** Melodic intervals of one staff in a range of bars, and what they add up to. */
export interface IntervalCount {
  readonly part: string;
  readonly staff: number;
  /** Size as a number of scale degrees, 1 is a repeat, 2 a second, 8 an octave; how often up and down. */
  readonly sizes: readonly { readonly size: number; readonly up: number; readonly down: number }[];
  readonly repeats: number;
  readonly steps: number;
  readonly skips: number;
  readonly lowest: string | null;
  readonly highest: string | null;
  readonly first: string | null;
}

/**
 * Follows the highest note of each onset, the line a student sees. Notes without a pitch break the line.
 *
 * @example intervalsOf(score, 0, 0)[0].steps // → 3
 */
export function intervalsOf(score: Score, from: number, to: number): IntervalCount[] {
  return score.parts.flatMap((part) =>
    Array.from({ length: part.staves }, (_, s) => {
      const staff = s + 1;
      const tops = new Map<number, { id: string; step: number; midi: number }>();
      for (const { note } of struckNotes(score.notes)) {
        if (
          note.part !== part.id ||
          note.staff !== staff ||
          note.bar < from ||
          note.bar > to ||
          note.grace ||
          !note.pitch ||
          note.midi === null
        )
          continue;
        const before = tops.get(note.onset);
        if (!before || note.midi > before.midi)
          tops.set(note.onset, { id: note.id, step: staffPosition(note.pitch), midi: note.midi });
      }
      const line = [...tops].sort(([a], [b]) => a - b).map(([, n]) => n);
      const sizes = new Map<number, { up: number; down: number }>();
      line.forEach((n, i) => {
        const before = line[i - 1];
        if (!before) return;
        const size = Math.abs(n.step - before.step) + 1;
        const c = sizes.get(size) ?? { up: 0, down: 0 };
        // A repeated note goes neither way; it is counted once, under up.
        const falls = n.step < before.step;
        sizes.set(size, { up: c.up + (falls ? 0 : 1), down: c.down + (falls ? 1 : 0) });
      });
      const total = (wanted: (size: number) => boolean): number =>
        [...sizes].reduce((sum, [size, c]) => sum + (wanted(size) ? c.up + c.down : 0), 0);
      const low = line.reduce<(typeof line)[number] | null>((m, n) => (m === null || n.midi < m.midi ? n : m), null);
      const high = line.reduce<(typeof line)[number] | null>((m, n) => (m === null || n.midi > m.midi ? n : m), null);
      return {
        part: part.id,
        staff,
        sizes: [...sizes].sort(([a], [b]) => a - b).map(([size, c]) => ({ size, ...c })),
        repeats: total((s2) => s2 === 1),
        steps: total((s2) => s2 === 2),
        skips: total((s2) => s2 > 2),
        lowest: low?.id ?? null,
        highest: high?.id ?? null,
        first: line[0]?.id ?? null,
      };
    }),
  );
}
