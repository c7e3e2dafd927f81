import type { Piece } from '@/core/studio';
import type { LoadedPiece } from '@/workers';

/**
 * Changes when the music does, not when something else of the piece is set: a field that nobody touched is as old as
 * its row.
 */
export const versionOf = (piece: Piece): string =>
  `${piece.id} ${piece.touched?.['source'] ?? piece.touched?.['id'] ?? piece.updatedAt} ${piece.source.length} ${piece.kept?.edition ?? 1} ${piece.instrument} ${piece.touched?.['original'] ?? ''}`;

/** A piece as the workers know it. */
export const loadedPiece = (piece: Piece): LoadedPiece => ({
  key: versionOf(piece),
  piece: { source: piece.source, fileName: piece.fileName, ...(piece.kept === undefined ? {} : { kept: piece.kept }) },
});
