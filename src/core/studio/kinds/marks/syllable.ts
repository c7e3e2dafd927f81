import { z } from 'zod';
import { id } from '../../fields';
import { atOneNote, markBase, type MarkKind } from '../mark-kind';

/** The student's own words, one syllable a note. */
export const syllableSchema = z.object({
  ...markBase,
  kind: z.literal('syllable'),
  noteId: id,
  text: z.string().min(1).max(40),
});
export type SyllableMark = z.infer<typeof syllableSchema>;

export const syllable: MarkKind<SyllableMark> = {
  ...atOneNote<SyllableMark>(),
  label: 'word',
  words: (m) => `word “${m.text}”`,
  written: () => [],
};
