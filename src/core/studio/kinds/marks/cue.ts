import { z } from 'zod';
import { id } from '../../fields';
import { MOST } from '../../limits';
import { atOneNote, markBase, type MarkKind } from '../mark-kind';

/** A sentence the teacher will say again next week. */
export const cueSchema = z.object({
  ...markBase,
  kind: z.literal('cue'),
  noteId: id,
  text: z.string().min(1).max(MOST.cue),
});
export type CueMark = z.infer<typeof cueSchema>;

export const cue: MarkKind<CueMark> = {
  ...atOneNote<CueMark>(),
  label: 'cue',
  words: (m) => `“${m.text}”`,
  written: (m) => [{ kind: 'cue', noteId: m.noteId, text: m.text }],
};
