import { z } from 'zod';
import { id } from '../../fields';
import { atOneNote, markBase, type MarkKind } from '../mark-kind';

/** By which convention the ornament at a note is played. */
export const ornamentSchema = z.object({
  ...markBase,
  kind: z.literal('ornament'),
  noteId: id,
  style: z.enum(['early', 'late', 'measured']),
});
export type OrnamentMark = z.infer<typeof ornamentSchema>;

export const ornament: MarkKind<OrnamentMark> = {
  ...atOneNote<OrnamentMark>(),
  label: 'ornament',
  words: (m) => `ornament, ${m.style}`,
  written: () => [],
};
