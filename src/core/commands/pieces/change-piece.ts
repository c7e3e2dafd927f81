import { instrumentFromWords } from '../../instruments';
import { ok } from '../../result';
import type { Origin } from '../../score';
import { answered, clampText, MOST, type Piece, type TeachingAnswer } from '../../studio';
import { command, put } from '../command';
import { gone } from '../refusals';
import { fingersForInstrument } from './put-aside';

type PieceParts = NonNullable<Piece['parts']>;

export type PieceChange = Partial<Pick<Piece, 'title' | 'composer' | 'study' | 'grade' | 'tags' | 'archived'>> & {
  /** The instrument as the teacher writes it. */
  readonly instrument?: string;
  /** One thing about where it comes from. */
  readonly origin?: readonly [keyof Origin, string];
  /** What is known of one of its parts, by what is read of it (`playerKey`). */
  readonly part?: readonly [key: string, known: PieceParts[string]];
  /** One answer to how the piece is taught. */
  readonly answer?: TeachingAnswer;
};

export interface ChangePiece {
  readonly pieceId: string;
  readonly change: PieceChange;
  readonly label: string;
}

/** Changes what is known of a piece; its document has a command of its own. */
export const changePiece = command({
  asks: ({ pieceId, change }: ChangePiece) => ({
    pieces: { ids: [pieceId] },
    ...(change.instrument === undefined ? {} : { marks: { pieceId } }),
  }),
  run: (stored, { change, label }: ChangePiece) => {
    const [piece] = stored.pieces;
    if (!piece) return gone('piece');
    const { instrument, title, answer, origin, part, ...fields } = change;
    const { instrumentWords: _, ...rest } = piece;
    const named = instrument === undefined ? null : instrumentFromWords(instrument);
    const fingers = fingersForInstrument(stored.marks, piece.instrument, named?.instrument ?? piece.instrument);
    return ok({
      label,
      changes: [
        put('pieces', {
          ...(named === null ? piece : { ...rest, ...named }),
          ...fields,
          ...(origin === undefined
            ? {}
            : { origin: { ...piece.origin, [origin[0]]: clampText(origin[1].trim(), MOST.title) } }),
          ...(part === undefined ? {} : { parts: { ...piece.parts, [part[0]]: part[1] } }),
          ...(answer === undefined ? {} : { teaching: answered(piece.teaching, answer) }),
          ...(title === undefined || title.trim() === '' ? {} : { title: clampText(title.trim(), MOST.title) }),
        }),
        ...fingers.changes,
      ],
    });
  },
});
