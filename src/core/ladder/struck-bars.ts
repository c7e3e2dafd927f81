import { struckNotes, type Note, type Score } from '../score';

/** Notes that are struck, not held over, bar by bar: found once a piece and used for every chunk of it. */
export type StruckBars = readonly (readonly Note[])[];

export function struckBars(score: Score): StruckBars {
  const bars: Note[][] = score.bars.map(() => []);
  for (const { note } of struckNotes(score.notes)) bars[note.bar]?.push(note);
  return bars;
}
