import { z } from 'zod';
import { id } from '../../fields';
import { markBase, type MarkKind } from '../mark-kind';

/** The teacher's own word on how hard a bar is, 0 to 10, instead of the computed one. */
export const ratingSchema = z.object({
  ...markBase,
  kind: z.literal('rating'),
  barId: id,
  score: z.number().min(0).max(10),
});
export type RatingMark = z.infer<typeof ratingSchema>;

export const rating: MarkKind<RatingMark> = {
  label: 'own rating',
  place: (m) => [m.barId],
  words: (m) => `rated ${m.score} of 10`,
  notes: () => [],
  carried: () => null,
  written: () => [],
};
