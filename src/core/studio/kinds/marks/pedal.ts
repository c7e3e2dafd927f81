import { z } from 'zod';
import { id } from '../../fields';
import { atOneNote, markBase, type MarkKind } from '../mark-kind';

/** The sustaining pedal at a note: down, changed, or up with its end. */
export const pedalSchema = z.object({
  ...markBase,
  kind: z.literal('pedal'),
  noteId: id,
  sign: z.enum(['down', 'change', 'up']),
});
export type PedalMark = z.infer<typeof pedalSchema>;

export const pedal: MarkKind<PedalMark> = {
  ...atOneNote<PedalMark>(),
  label: 'pedal',
  words: (m) => `pedal ${m.sign}`,
  written: (m) => [{ kind: 'pedal', noteId: m.noteId, sign: m.sign }],
};
