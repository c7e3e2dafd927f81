import { z } from 'zod';
import type { WrittenMark } from '../../musicxml';
import { changed, id } from '../fields';

/** Fields of every mark. A mark of one student is on top of those of everyone. */
export const markBase = {
  id,
  pieceId: id,
  studentId: id.nullable(),
  source: z.enum(['printed', 'editor', 'teacher', 'suggested']),
  ...changed,
};

/** The partner of a note in a place that is the same; undefined where it has none. */
export type PartnerOf = (noteId: string) => string | undefined;

/** What the tool must know of a kind of mark; a kind is added by one file and its line in `marks.ts`. */
export interface MarkKind<Shape> {
  /** In a sentence: `fingers accepted`, `finger 3 carried over`. */
  readonly label: string;
  /** What, besides kind, piece and student, makes two marks the same one. */
  readonly place: (mark: Shape) => readonly string[];
  /** This mark in a few words, for lists. */
  readonly words: (mark: Shape) => string;
  /** Notes it stands at, the first one first. None for marks of a bar or of the whole. */
  readonly notes: (mark: Shape) => readonly string[];
  /**
   * The same mark at the partners of its notes; null where one of them has none, or where it does not make sense
   * elsewhere.
   */
  readonly carried: (mark: Shape, partner: PartnerOf) => Shape | null;
  /** As a score file can hold it; none where it has no place for it. */
  readonly written: (mark: Shape) => readonly WrittenMark[];
}

/** Kinds that stand at one note and are carried with it. */
export const atOneNote = <Shape extends { readonly noteId: string }>(): Pick<
  MarkKind<Shape>,
  'place' | 'notes' | 'carried'
> => ({
  place: (mark) => [mark.noteId],
  notes: (mark) => [mark.noteId],
  carried: (mark, partner) => {
    const noteId = partner(mark.noteId);
    return noteId === undefined ? null : { ...mark, noteId };
  },
});
