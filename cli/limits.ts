import { fail, type Result } from '../src/core/result';
import { fitsSameness, MOST_BARS_FOR_SAMENESS } from '../src/core/sameness';
import type { Score } from '../src/core/score';

/** Comparing all bars with one another grows with the square of their number: longer pieces are refused here. */
export const tooLongToCompare = (score: Score, file: string): Result<never> | null =>
  fitsSameness(score)
    ? null
    : fail(
        'too-many-bars',
        `${file} has ${score.bars.length} bars; up to ${MOST_BARS_FOR_SAMENESS} are compared with one another. Split it into movements.`,
        {
          file,
        },
      );

/** Above these the computing would take more than a minute or a gibibyte here; measured in the bench of the room. */
const MOST_BARS_FOR_CHORDS = 5000;
const MOST_NOTES_FOR_FINGERS = 60_000;

export const tooLongForChords = (score: Score, file: string): Result<never> | null =>
  score.bars.length <= MOST_BARS_FOR_CHORDS
    ? null
    : fail(
        'too-many-bars',
        `${file} has ${score.bars.length} bars; chords are found in up to ${MOST_BARS_FOR_CHORDS}. Split it into movements.`,
        { file },
      );

export const tooLongToFinger = (score: Score, file: string): Result<never> | null =>
  score.notes.length <= MOST_NOTES_FOR_FINGERS
    ? null
    : fail(
        'too-many-notes',
        `${file} has ${score.notes.length} notes; up to ${MOST_NOTES_FOR_FINGERS} are fingered at once. Split it into movements.`,
        {
          file,
        },
      );
