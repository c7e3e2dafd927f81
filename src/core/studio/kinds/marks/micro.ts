import { z } from 'zod';
import { id } from '../../fields';
import { atOneNote, markBase, type MarkKind } from '../mark-kind';

/** A small sign of the teacher's own: a little more, a little less, go on, hold back. */
export const microSchema = z.object({
  ...markBase,
  kind: z.literal('micro'),
  noteId: id,
  sign: z.enum(['+', '−', '→', '←']),
});
export type MicroMark = z.infer<typeof microSchema>;

export const micro: MarkKind<MicroMark> = {
  ...atOneNote<MicroMark>(),
  label: 'sign',
  words: (m) => `sign ${m.sign}`,
  written: (m) => [{ kind: 'words', noteId: m.noteId, text: m.sign }],
};
