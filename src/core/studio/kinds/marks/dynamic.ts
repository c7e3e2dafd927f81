import { z } from 'zod';
import { id } from '../../fields';
import { atOneNote, markBase, type MarkKind } from '../mark-kind';

export const dynamicSchema = z.object({
  ...markBase,
  kind: z.literal('dynamic'),
  noteId: id,
  level: z.enum(['ppp', 'pp', 'p', 'mp', 'mf', 'f', 'ff', 'fff']),
});
export type DynamicMark = z.infer<typeof dynamicSchema>;

export const dynamic: MarkKind<DynamicMark> = {
  ...atOneNote<DynamicMark>(),
  label: 'dynamic',
  words: (m) => m.level,
  written: (m) => [{ kind: 'dynamic', noteId: m.noteId, level: m.level }],
};
