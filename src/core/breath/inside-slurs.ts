import type { Note, Score } from '../score';

/**
 * Notes of a line under a slur that goes on after them: no breath may follow. A slur that is never closed ends where
 * the next one begins or the phrase does. By note id, the bar in which the slur begins.
 */
export function insideSlurs(
  score: Score,
  notes: readonly { readonly note: Note; readonly end: number }[],
  phraseEnds: ReadonlySet<number>,
): ReadonlyMap<string, number> {
  const [first] = notes;
  const slurs = new Map<number, Note['marks']['slurs'][number][]>();
  for (const n of score.notes) {
    if (n.part !== first?.note.part || n.marks.slurs.length === 0) continue;
    slurs.set(n.onset, [...(slurs.get(n.onset) ?? []), ...n.marks.slurs]);
  }
  const inside = new Map<string, number>();
  const cover = (from: number, to: number): void => {
    for (let i = from; i < to; i += 1) {
      const id = notes[i]?.note.id;
      if (id !== undefined) inside.set(id, notes[from]?.note.bar ?? 0);
    }
  };
  /** First notes of the slurs that are open: the one begun last closes first. */
  const open: number[] = [];
  const starts: number[] = [];
  notes.forEach(({ note }, i) => {
    const here = slurs.get(note.onset) ?? [];
    for (const slur of here) {
      if (slur.role !== 'stop') continue;
      const closed = open.pop();
      if (closed !== undefined) cover(closed, i);
    }
    for (const slur of here)
      if (slur.role === 'start') {
        open.push(i);
        starts.push(i);
      }
  });
  for (const from of open) {
    const next = starts.find((s) => s > from) ?? notes.length;
    const end = notes.findIndex(
      ({ end: stop }, i) => i >= from && (phraseEnds.has(stop) || (notes[i + 1]?.note.onset ?? 0) > stop),
    );
    // Its last note is the one before the next slur begins.
    cover(from, Math.min(next - 1, end < 0 ? notes.length - 1 : end));
  }
  return inside;
}
