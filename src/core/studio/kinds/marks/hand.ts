import { z } from 'zod';
import { id } from '../../fields';
import { atOneNote, markBase, type MarkKind } from '../mark-kind';

/** The hand that takes a note, where it is not that of its staff. */
export const handMarkSchema = z.object({
  ...markBase,
  kind: z.literal('hand'),
  noteId: id,
  hand: z.enum(['right', 'left']),
});
export type HandMark = z.infer<typeof handMarkSchema>;

export const hand: MarkKind<HandMark> = {
  ...atOneNote<HandMark>(),
  label: 'hand',
  words: (m) => `${m.hand} hand`,
  written: () => [],
};
