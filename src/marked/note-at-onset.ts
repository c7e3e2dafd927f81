import type { Score } from '@/core/score';

/** The first note in time order under each onset, to hang counts and chords on. */
export function noteAtOnset(score: Score, from: number, to: number): ReadonlyMap<number, string> {
  const at = new Map<number, string>();
  for (const note of score.notes)
    if (note.bar >= from && note.bar <= to && note.grace === null && !at.has(note.onset)) at.set(note.onset, note.id);
  for (const rest of score.rests)
    if (rest.bar >= from && rest.bar <= to && !at.has(rest.onset)) at.set(rest.onset, rest.id);
  return at;
}
