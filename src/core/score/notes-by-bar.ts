import type { Note } from './model';
import { perScore } from './per-score';

/**
 * The notes of each bar, in the order of the score; found once a score.
 *
 * @example notesByBar(scoreOf('C D E F|G4|'))[1].length // → 1
 */
export const notesByBar = perScore((score): readonly (readonly Note[])[] => {
  const bars: Note[][] = score.bars.map(() => []);
  for (const note of score.notes) bars[note.bar]?.push(note);
  return bars;
});
