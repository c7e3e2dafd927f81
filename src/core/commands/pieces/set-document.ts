import { ok } from '../../result';
import type { KeptIds } from '../../score';
import { clampText, MOST, type Piece } from '../../studio';
import { command, put } from '../command';
import { gone } from '../refusals';

/** Another document for a piece: typed, laid out anew, or a corrected edition. */
export interface SetDocument {
  readonly pieceId: string;
  readonly document: Pick<Piece, 'source' | 'original'> &
    Partial<Pick<Piece, 'title' | 'composer' | 'format' | 'fileName' | 'encoding' | 'bom'>>;
  /** The ids its bars and notes keep; null where they are as they were read. */
  readonly kept: KeptIds | null;
  readonly label: string;
  readonly says?: string;
}

/** Puts another document in the place of a piece's; marks, sections and records stay on what kept its id. */
export const setDocument = command({
  asks: ({ pieceId }: SetDocument) => ({ pieces: { ids: [pieceId] } }),
  run: (stored, { document, kept, label, says }: SetDocument) => {
    const [piece] = stored.pieces;
    if (!piece) return gone('piece');
    const { kept: _, ...rest } = piece;
    return ok({
      label,
      changes: [
        put('pieces', {
          ...rest,
          ...document,
          title: clampText(document.title || piece.title, MOST.title),
          composer: clampText(document.composer ?? piece.composer, MOST.title),
          ...(kept === null ? {} : { kept }),
        }),
      ],
      ...(says === undefined ? {} : { says }),
    });
  },
});
