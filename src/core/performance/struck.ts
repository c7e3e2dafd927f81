import { perScore, struckNotes, type Note, type Score } from '../score';

type Struck = ReturnType<typeof struckNotes>[number];

/** What is struck in each bar, ties joined; found once a score, however often parts of it are played. */
export const struckByBar: (score: Score) => readonly (readonly Struck[])[] = perScore((score) => {
  const bars: Struck[][] = score.bars.map(() => []);
  for (const struck of struckNotes(score.notes)) bars[struck.note.bar]?.push(struck);
  return bars;
});

/** The notes of a score by their ids. */
export const notesById: (score: Score) => ReadonlyMap<string, Note> = perScore(
  (score) => new Map(score.notes.map((n) => [n.id, n])),
);
