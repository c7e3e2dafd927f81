import { struckNotes, type Note, type Score } from '../score';

/** One staff of one part. */
export interface Staff {
  readonly part: string;
  readonly staff: number;
}

/** Share of the onsets of two staves that has to be the same for them to move as one. */
const TOGETHER = 0.8;
function strikeTogether(a: ReadonlyMap<number, unknown>, b: ReadonlyMap<number, unknown>): boolean {
  const both = [...a.keys()].filter((onset) => b.has(onset)).length;
  return both >= TOGETHER * Math.max(a.size, b.size);
}

/**
 * The staff that has the tune: single notes that move by step and turn in many directions speak for it, chords, leaps
 * and keys struck again for an accompaniment; the top staff is taken when nothing speaks against it **[from memory]**.
 * Null for a score without notes.
 */
export function tuneStaff(score: Score): Staff | null {
  const part = score.parts.find((p) => score.notes.some((n) => n.part === p.id));
  if (!part) return null;
  const staves = new Map<number, Map<number, Note[]>>();
  for (const { note } of struckNotes(score.notes)) {
    if (note.part !== part.id || note.grace || note.midi === null) continue;
    const columns = staves.get(note.staff) ?? new Map<number, Note[]>();
    staves.set(note.staff, columns);
    const there = columns.get(note.onset);
    if (there) there.push(note);
    else columns.set(note.onset, [note]);
  }
  const speaksFor = (columns: ReadonlyMap<number, readonly Note[]>): number => {
    const list = [...columns.values()];
    let steps = 0;
    let moves = 0;
    list.forEach((column, i) => {
      const a = column[0]?.midi;
      const b = list[i + 1]?.[0]?.midi;
      if (a === null || a === undefined || b === null || b === undefined) return;
      moves += 1;
      if (a !== b && Math.abs(a - b) <= 2) steps += 1;
    });
    const single = list.filter((c) => c.length === 1).length / Math.max(1, list.length);
    return (moves === 0 ? 0 : steps / moves) + single;
  };
  const first = Math.min(...staves.keys());
  // Where the hands strike together, as in a chorale, the top of the chords is the tune.
  const top = staves.get(first);
  const together = [...staves].every(([staff, columns]) => staff === first || (top && strikeTogether(top, columns)));
  if (together) return { part: part.id, staff: first };
  let best = first;
  let most = -Infinity;
  for (const [staff, columns] of [...staves].sort(([a], [b]) => a - b)) {
    // Two columns are no tune; the top staff needs less to be believed.
    const points = (columns.size < 3 ? -1 : speaksFor(columns)) + (staff === first ? 0.6 : 0);
    if (points > most) {
      most = points;
      best = staff;
    }
  }
  return { part: part.id, staff: best };
}
