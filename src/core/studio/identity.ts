import type { Exercise } from '../exercise';

/**
 * Ids of what a place defines: two devices that finger the same note, or two quick keys, make one mark. A place is
 * written as its parts joined by a sign that no id of ours holds.
 */
const JOIN = '~';
/** A part never holds the sign that joins: two places never have one id. */
const part = (text: string): string => text.replaceAll('%', '%25').replaceAll(JOIN, '%7E');

/**
 * An id from the parts of a place, in order.
 *
 * @example placeId('finger', 'p', 'n1') // → 'finger~p~n1'
 */
export const placeId = (...parts: readonly string[]): string => parts.map(part).join(JOIN);

/**
 * The ladder of a section, of the usual player of the piece or of another, for everyone or for one student.
 *
 * @example ladderId('section-a') // → 'ladder~section-a'
 */
export const ladderId = (sectionId: string, player?: string, studentId?: string): string =>
  studentId === undefined
    ? placeId('ladder', sectionId, ...(player === undefined ? [] : [player]))
    : placeId('ladder', sectionId, player ?? '', studentId);

/**
 * A built rung: the same rung of a later build has the same id.
 *
 * @example rungId('section-a', 'tap') // → 'rung~section-a~tap'
 */
export const rungId = (sectionId: string, key: string): string => placeId('rung', sectionId, key);

/**
 * The way through a piece, of its usual player or another, and a student's own.
 *
 * @example wayId('p', undefined, null) // → 'way~p~~'
 */
export const wayId = (pieceId: string, player: string | undefined, studentId: string | null): string =>
  placeId('way', pieceId, player ?? '', studentId ?? '');

/**
 * A technique exercise and its one section: the same ones for everyone who plays it on the same instrument, with as
 * many notes to a beat.
 *
 * @example
 * exerciseIds('piano', { figure: 'scale', tonic: 'D', mode: 'major', octaves: 1 }, 1).pieceId
 * // → 'exercise~piano~scale~D~major~1~1'
 */
export function exerciseIds(
  instrument: string,
  { figure, tonic, mode, octaves }: Exercise,
  notesABeat: number,
): { readonly pieceId: string; readonly sectionId: string } {
  const parts = ['exercise', instrument, figure, tonic, mode, String(octaves), String(notesABeat)];
  return { pieceId: placeId(...parts), sectionId: placeId('section', ...parts) };
}

/** Where a section lies: what makes two sections of two devices the same one when they are made. */
export interface SectionPlace {
  readonly pieceId: string;
  readonly fromBar: string;
  readonly fromOffset: string;
  readonly toBar: string;
  readonly toOffset: string | null;
  readonly hand: string;
}

/**
 * The id a section gets when it is made; it keeps it when its ends move. A second one made at a place that is taken
 * gets a number.
 *
 * @example
 * sectionId({ pieceId: 'p', fromBar: 'b1', fromOffset: '0', toBar: 'b4', toOffset: null, hand: 'all' }, new Set())
 * // → 'section~p~b1~0~b4~end~all'
 */
export function sectionId(place: SectionPlace, taken: ReadonlySet<string>): string {
  const id = placeId(
    'section',
    place.pieceId,
    place.fromBar,
    place.fromOffset,
    place.toBar,
    place.toOffset ?? 'end',
    place.hand,
  );
  if (!taken.has(id)) return id;
  for (let n = 2; ; n += 1) if (!taken.has(`${id}${JOIN}${n}`)) return `${id}${JOIN}${n}`;
}
