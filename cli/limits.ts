import { fail, type Result } from '../src/core/result';
import type { Score } from '../src/core/score';

/** Above this the computing would take more than a minute or a gibibyte here; measured in the bench of the room. */
const MOST_NOTES_FOR_FINGERS = 60_000;

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
