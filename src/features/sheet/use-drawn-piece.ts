import { useMemo } from 'react';
import { ok, type Result } from '@/core/result';
import { drawPiece, type DrawnPiece, type SheetChoices, type SheetFingers } from '@/sheet';
import { useLive, pieceRows, useStudio } from '@/store';
import { useDrawing } from './use-drawing';
import { handsOf } from './use-drawn-week';

export type PieceState =
  | { readonly kind: 'loading' }
  | { readonly kind: 'no-piece' }
  | { readonly kind: 'failed'; readonly message: string }
  | {
      readonly kind: 'ready';
      readonly drawn: DrawnPiece;
      /** The same with the fingers as they are chosen, where boxes are shown instead. */
      readonly answers: DrawnPiece | null;
    };

/** A piece, or one of its sections, as it is printed; drawn anew whenever something in it changes. */
export function useDrawnPiece(
  { pieceId, studentId, sectionId }: { readonly [K in 'pieceId' | 'studentId' | 'sectionId']: string | null },
  { paper, size, fingers }: SheetChoices,
): PieceState {
  const studio = useStudio();
  const { db } = studio;
  const rows = useLive(
    async () => (pieceId === null ? null : await pieceRows(db, pieceId, studentId)),
    [db, pieceId, studentId],
  );
  const draw = useMemo(() => {
    if (!rows) return null;
    return async (signal: AbortSignal): Promise<PieceState> => {
      const drawnWith = (which: SheetFingers): Promise<Result<DrawnPiece>> =>
        drawPiece(rows, sectionId, { paper, size, fingers: which }, handsOf(studio, signal));
      const drawn = await drawnWith(fingers);
      const answers = fingers === 'chosen' || !drawn.ok ? ok(null) : await drawnWith('chosen');
      if (!drawn.ok) return { kind: 'failed', message: drawn.issue.message };
      if (!answers.ok) return { kind: 'failed', message: answers.issue.message };
      return { kind: 'ready', drawn: drawn.value, answers: answers.value };
    };
  }, [rows, studio, sectionId, paper, size, fingers]);
  const drawing = useDrawing(draw);
  if (rows === undefined) return { kind: 'loading' };
  if (rows === null) return { kind: 'no-piece' };
  if (drawing === null) return { kind: 'loading' };
  if (drawing.kind === 'failed') return drawing;
  const state = drawing.value;
  return state.kind === 'ready' && state.drawn.piece.id !== rows.piece.id ? { kind: 'loading' } : state;
}
