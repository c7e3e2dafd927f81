import { z } from 'zod';
import { id } from '../../fields';
import { atOneNote, markBase, type MarkKind } from '../mark-kind';

/** A hairpin from one note to another; one begins at a note. */
export const wedgeSchema = z.object({
  ...markBase,
  kind: z.literal('wedge'),
  noteId: id,
  toNoteId: id,
  role: z.enum(['crescendo', 'diminuendo']),
});
export type WedgeMark = z.infer<typeof wedgeSchema>;

export const wedge: MarkKind<WedgeMark> = {
  ...atOneNote<WedgeMark>(),
  label: 'hairpin',
  words: (m) => m.role,
  notes: (m) => [m.noteId, m.toNoteId],
  carried: (m, partner) => {
    const noteId = partner(m.noteId);
    const toNoteId = partner(m.toNoteId);
    return noteId === undefined || toNoteId === undefined ? null : { ...m, noteId, toNoteId };
  },
  written: (m) => [{ kind: 'wedge', noteId: m.noteId, toNoteId: m.toNoteId, role: m.role }],
};
