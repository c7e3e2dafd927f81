/** All kinds of marks. A new kind is a file in `marks/` and a line in the union and the table here. */
import { z } from 'zod';
import type { WrittenMark } from '../../musicxml';
import { placeId } from '../identity';
import type { MarkKind, PartnerOf } from './mark-kind';
import { bow, bowSchema } from './marks/bow';
import { breath, breathSchema } from './marks/breath';
import { cue, cueSchema } from './marks/cue';
import { dynamic, dynamicSchema } from './marks/dynamic';
import { finger, fingerSchema } from './marks/finger';
import { hand, handMarkSchema } from './marks/hand';
import { micro, microSchema } from './marks/micro';
import { ornament, ornamentSchema } from './marks/ornament';
import { pedal, pedalSchema } from './marks/pedal';
import { pencil, pencilSchema } from './marks/pencil';
import { phrase, phraseSchema } from './marks/phrase';
import { rating, ratingSchema } from './marks/rating';
import { refused, refusedSchema } from './marks/refused';
import { strum, strumSchema } from './marks/strum';
import { syllable, syllableSchema } from './marks/syllable';
import { wedge, wedgeSchema } from './marks/wedge';

export const markSchema = z.discriminatedUnion('kind', [
  fingerSchema,
  dynamicSchema,
  wedgeSchema,
  cueSchema,
  breathSchema,
  bowSchema,
  phraseSchema,
  pedalSchema,
  pencilSchema,
  strumSchema,
  ornamentSchema,
  microSchema,
  syllableSchema,
  handMarkSchema,
  ratingSchema,
  refusedSchema,
]);
export type Mark = z.infer<typeof markSchema>;
export type MarkOf<K extends Mark['kind']> = Extract<Mark, { kind: K }>;
/** Marks that stand at a note. */
export type NoteMark = Extract<Mark, { noteId: string }>;

export const MARK_KINDS = {
  finger,
  dynamic,
  wedge,
  cue,
  breath,
  bow,
  phrase,
  pedal,
  pencil,
  strum,
  ornament,
  micro,
  syllable,
  hand,
  rating,
  refused,
} as const satisfies { readonly [K in Mark['kind']]: MarkKind<MarkOf<K>> };

/** The kind of a mark; the table is complete, so this is right for every mark. */
const kindOf = (mark: Mark): MarkKind<Mark> => MARK_KINDS[mark.kind] as MarkKind<Mark>;

/** A mark as it is before it has its id and its time. */
export type NewMark = { readonly [K in Mark['kind']]: Omit<MarkOf<K>, 'id' | 'updatedAt' | 'touched'> }[Mark['kind']];

/**
 * The id that the place of a mark gives it: kind, piece, note or bar, variant or reading, student.
 *
 * @example markId(finger('n1', '3')) // → 'finger~p~n1~full~'
 */
export function markId(mark: NewMark): string {
  const place = kindOf(mark as Mark).place(mark as Mark);
  return placeId(mark.kind, mark.pieceId, ...place, mark.studentId ?? '');
}

/**
 * A mark in a few words.
 *
 * @example markInWords(finger('n1', '3')) // → 'finger 3'
 */
export const markInWords = (mark: Mark): string => kindOf(mark).words(mark);
/**
 * The notes a mark stands at; none for marks of a bar or of the whole piece.
 *
 * @example notesOfMark(finger('n1', '3')) // → ['n1']
 */
export const notesOfMark = (mark: Mark): readonly string[] => kindOf(mark).notes(mark);
/** The mark at the partners of its notes, under the id of its new place; null where it has none there. */
export function carriedMark(mark: Mark, partner: PartnerOf): Mark | null {
  const carried = kindOf(mark).carried(mark, partner);
  return carried === null ? null : { ...carried, id: markId(carried) };
}
/** What a score file holds of a mark. */
export const writtenMark = (mark: Mark): readonly WrittenMark[] => kindOf(mark).written(mark);
