import { z } from 'zod';
import { MOST } from '../../limits';
import { markBase, type MarkKind } from '../mark-kind';

/** A suggestion the teacher does not want to see again. */
export const refusedSchema = z.object({
  ...markBase,
  kind: z.literal('refused'),
  what: z.string().min(1).max(MOST.what),
});
export type RefusedMark = z.infer<typeof refusedSchema>;

export const refused: MarkKind<RefusedMark> = {
  label: 'refusal',
  place: (m) => [m.what],
  words: () => 'a refused suggestion',
  notes: () => [],
  carried: () => null,
  written: () => [],
};
