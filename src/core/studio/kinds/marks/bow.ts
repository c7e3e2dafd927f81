import { z } from 'zod';
import { id } from '../../fields';
import { atOneNote, markBase, type MarkKind } from '../mark-kind';

export const bowSchema = z.object({
  ...markBase,
  kind: z.literal('bow'),
  noteId: id,
  direction: z.enum(['up', 'down']),
});
export type BowMark = z.infer<typeof bowSchema>;

export const bow: MarkKind<BowMark> = {
  ...atOneNote<BowMark>(),
  label: 'bow',
  words: (m) => `${m.direction}-bow`,
  written: (m) => [{ kind: 'bow', noteId: m.noteId, direction: m.direction }],
};
