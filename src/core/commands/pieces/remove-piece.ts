import { ok } from '../../result';
import { command, remove } from '../command';
import { gone } from '../refusals';

/** Takes a piece off the shelf. Its sections, marks and records stay, so that undo brings everything back. */
export const removePiece = command({
  asks: ({ pieceId }: { readonly pieceId: string }) => ({ pieces: { ids: [pieceId] } }),
  run: (stored) => {
    const [piece] = stored.pieces;
    if (!piece) return gone('piece');
    return ok({
      label: `${piece.title} removed`,
      changes: [remove('pieces', piece.id)],
      says: `${piece.title} removed; what was heard on it is hidden with it. Undo brings it all back.`,
    });
  },
});
