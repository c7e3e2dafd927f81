import { z } from 'zod';
import { id } from '../../fields';
import { atOneNote, markBase, type MarkKind } from '../mark-kind';

/** A breath after a note; a catch breath cuts the note a little. */
export const breathSchema = z.object({
  ...markBase,
  kind: z.literal('breath'),
  noteId: id,
  catch: z.boolean().optional(),
});
export type BreathMark = z.infer<typeof breathSchema>;

export const breath: MarkKind<BreathMark> = {
  ...atOneNote<BreathMark>(),
  label: 'breath',
  words: (m) => (m.catch === true ? 'catch breath' : 'breath'),
  written: (m) => [{ kind: 'breath', noteId: m.noteId, catch: m.catch ?? false }],
};
