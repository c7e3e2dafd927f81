import { z } from 'zod';
import { fail, ok, type Result } from '../result';
import { ANSWER_FORMAT, ANSWER_VERSION, answerSum } from './answer-file';
import { readHomeCode } from './home-code';
import { sentBackSchema, type SentBack } from './sent-back';

const answerSchema = z.object({
  format: z.literal(ANSWER_FORMAT),
  version: z.literal(ANSWER_VERSION),
  sent: sentBackSchema,
  /** Of `sent` as it is written. */
  sum: z.number(),
});

export type AnswerProblem = 'no-code' | 'damaged-code' | 'damaged-answer' | 'newer-answer';

/**
 * Whether a text says that it comes from home; what is in it may still be damaged.
 *
 * @example isFromHome('See you on Tuesday!') // → false
 */
export const isFromHome = (text: string): boolean =>
  text.includes(`"${ANSWER_FORMAT}"`) || /OAK1[A-Za-z0-9+\-\s]{20,}/.test(text);

/**
 * What came back from home, as a file or as a code anywhere in a text.
 *
 * @example readAnswer('nothing').ok // → false
 */
export function readAnswer(text: string): Result<SentBack, AnswerProblem> {
  if (!text.includes(`"${ANSWER_FORMAT}"`)) return readHomeCode(text);
  const bad = () =>
    fail(
      'damaged-answer' satisfies AnswerProblem,
      'This file from home is damaged. Ask for it once more; nothing was changed.',
    );
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    return bad();
  }
  const { version } = z.object({ version: z.number() }).catch({ version: 0 }).parse(value);
  if (version > ANSWER_VERSION)
    return fail('newer-answer', 'This file comes from a newer sheet than this Oak Rungs knows. Update first.');
  const parsed = answerSchema.safeParse(value);
  if (!parsed.success || answerSum(parsed.data.sent) !== parsed.data.sum) return bad();
  return ok(parsed.data.sent);
}
