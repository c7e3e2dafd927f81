import { z } from 'zod';
import { id } from '../../fields';
import { atOneNote, markBase, type MarkKind } from '../mark-kind';

/** How a phrase ends at a note; two readings may differ and both are kept. */
export const phraseSchema = z.object({
  ...markBase,
  kind: z.literal('phrase'),
  noteId: id,
  sign: z.enum([',', '.', '?', '!']),
  reading: z.string().max(40).optional(),
});
export type PhraseMark = z.infer<typeof phraseSchema>;

export const phrase: MarkKind<PhraseMark> = {
  ...atOneNote<PhraseMark>(),
  label: 'phrase end',
  place: (m) => [m.noteId, m.reading ?? ''],
  words: (m) => `phrase ${m.sign}`,
  written: () => [],
};
