import { instrumentFromWords } from '../../instruments';
import { ok } from '../../result';
import { answered, clampText, MOST, type Piece, type TeachingAnswer } from '../../studio';
import { command, put } from '../command';
import { gone } from '../refusals';

export type PieceChange = Partial<Pick<Piece, 'title' | 'composer' | 'learnOrder'>> & {
  /** The instrument as the teacher writes it. */
  readonly instrument?: string;
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
  asks: ({ pieceId }: ChangePiece) => ({ pieces: { ids: [pieceId] } }),
  run: (stored, { change, label }: ChangePiece) => {
    const [piece] = stored.pieces;
    if (!piece) return gone('piece');
    const { instrument, title, answer, ...fields } = change;
    const { instrumentWords: _, ...rest } = piece;
    return ok({
      label,
      changes: [
        put('pieces', {
          ...(instrument === undefined ? piece : { ...rest, ...instrumentFromWords(instrument) }),
          ...fields,
          ...(answer === undefined ? {} : { teaching: answered(piece.teaching, answer) }),
          ...(title === undefined || title.trim() === '' ? {} : { title: clampText(title.trim(), MOST.title) }),
        }),
      ],
    });
  },
});
