import type { Note, Score } from '../score';

const known = new WeakMap<Score, ReadonlyMap<string, readonly Note[]>>();

/** The notes of a part in the order of the score; sorted out once for all parts. */
export function notesOfPart(score: Score, part: string): readonly Note[] {
  let parts = known.get(score);
  if (!parts) {
    const sorted = new Map<string, Note[]>();
    for (const n of score.notes) {
      const there = sorted.get(n.part);
      if (there) there.push(n);
      else sorted.set(n.part, [n]);
    }
    parts = sorted;
    known.set(score, parts);
  }
  return parts.get(part) ?? [];
}
