import type { BeatChord, ChordSequence } from './harmony';

/** The same chords again, moved by one interval, bar by bar. */
export function findSequences(beats: readonly BeatChord[]): ChordSequence[] {
  const byBar = new Map<number, BeatChord[]>();
  for (const b of beats) byBar.set(b.bar, [...(byBar.get(b.bar) ?? []), b]);
  const shape = (bar: number): { root: number; text: string } | null => {
    const list = (byBar.get(bar) ?? []).filter((b) => b.root !== null);
    const root = list[0]?.root;
    return root == null || list.length === 0
      ? null
      : { root, text: list.map((b) => (((b.root ?? 0) - root + 12) % 12).toString()).join(' ') };
  };
  const out: ChordSequence[] = [];
  const bars = [...byBar.keys()];
  for (const length of [1, 2])
    for (let i = 0; i + 2 * length <= bars.length; i += 1) {
      const step = (at: number): number | null => {
        let by: number | null = null;
        for (let k = 0; k < length; k += 1) {
          const a = shape(at + k);
          const b = shape(at + length + k);
          if (!a || !b || a.text !== b.text) return null;
          const moved = (b.root - a.root + 12) % 12;
          if (moved === 0 || (by !== null && moved !== by)) return null;
          by = moved;
        }
        return by;
      };
      const first = step(i);
      if (first === null) continue;
      let times = 2;
      while (step(i + (times - 1) * length) === first) times += 1;
      if (times * length < 3 || out.some((o) => o.from <= i && o.to >= i + times * length - 1)) continue;
      out.push({ from: i, to: i + times * length - 1, steps: first > 6 ? first - 12 : first, times });
    }
  return out;
}
