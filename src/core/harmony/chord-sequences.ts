import type { BeatChord, ChordSequence } from './harmony';

/** A bar as a sequence sees it: how its chords lie to its first root, and the highest key of each beat. */
interface Shape {
  readonly root: number;
  readonly text: string;
  readonly tops: readonly (number | null)[];
}

function shapeOf(beats: readonly BeatChord[]): Shape | null {
  const chords = beats.filter((b) => b.root !== null);
  const root = chords[0]?.root;
  if (root == null) return null;
  return {
    root,
    text: chords.map((b) => String(((b.root ?? 0) - root + 12) % 12)).join(' '),
    tops: beats.map((b) => b.notes[b.notes.length - 1] ?? null),
  };
}

/** How far the notes of one bar lie from those of another, to a semitone; null where they do not move as one. */
function movedBy(a: Shape, b: Shape): number | null {
  if (a.tops.length !== b.tops.length) return null;
  const moves = a.tops.flatMap((top, i) => {
    const other = b.tops[i] ?? null;
    return top === null || other === null ? [] : [other - top];
  });
  const [first] = moves;
  if (first === undefined || moves.every((m) => m === 0)) return null;
  // Within a key a step is now a whole tone, now a half.
  return moves.every((m) => Math.abs(m - first) <= 1) ? first : null;
}

/** Bars of a pattern, and fewest bars that pattern and copies take up together. */
const LENGTHS = [1, 2];
const LEAST_BARS = 3;

/** The same chords again, moved by one interval bar by bar, where the notes move along. */
export function findSequences(beats: readonly BeatChord[]): ChordSequence[] {
  const byBar = new Map<number, BeatChord[]>();
  for (const b of beats) {
    const there = byBar.get(b.bar);
    if (there) there.push(b);
    else byBar.set(b.bar, [b]);
  }
  const shapes = [...byBar.values()].map(shapeOf);
  /** By how many semitones the roots of `length` bars move to the next ones; null where that is no sequence. */
  const step = (at: number, length: number): number | null => {
    let by: number | null = null;
    for (let k = 0; k < length; k += 1) {
      const a = shapes[at + k];
      const b = shapes[at + length + k];
      if (!a || !b || a.text !== b.text || movedBy(a, b) === null) return null;
      const moved = (b.root - a.root + 12) % 12;
      if (moved === 0 || (by !== null && moved !== by)) return null;
      by = moved;
    }
    return by;
  };
  const out: ChordSequence[] = [];
  for (const length of LENGTHS)
    for (let i = 0; i + 2 * length <= shapes.length; i += 1) {
      const first = step(i, length);
      if (first === null) continue;
      let times = 2;
      while (step(i + (times - 1) * length, length) === first) times += 1;
      if (times * length < LEAST_BARS || out.some((o) => o.from <= i && o.to >= i + times * length - 1)) continue;
      out.push({ from: i, to: i + times * length - 1, steps: first > 6 ? first - 12 : first, times });
    }
  return out;
}
