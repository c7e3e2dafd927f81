import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect, useState } from 'react';
import { drawPiece, type DrawnPiece, type SheetChoices } from '@/sheet';
import { pieceRows, storageProblem, useStudio } from '@/store';
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
  const rows = useLiveQuery(
    async () => (pieceId === null ? null : await pieceRows(db, pieceId, studentId)),
    [db, pieceId, studentId],
  );
  const [state, setState] = useState<PieceState>({ kind: 'loading' });
  useEffect(() => {
    if (!rows) return undefined;
    const stop = new AbortController();
    const hands = handsOf(studio, { signal: stop.signal });
    const draw = async (): Promise<PieceState> => {
      const drawn = await drawPiece(rows, sectionId, { paper, size, fingers }, hands);
      if (!drawn.ok) return { kind: 'failed', message: drawn.issue.message };
      if (fingers === 'chosen') return { kind: 'ready', drawn: drawn.value, answers: null };
      const answers = await drawPiece(rows, sectionId, { paper, size, fingers: 'chosen' }, hands);
      return { kind: 'ready', drawn: drawn.value, answers: answers.ok ? answers.value : null };
    };
    draw()
      .catch((error: unknown): PieceState => ({ kind: 'failed', message: storageProblem(error).issue.message }))
      .then((next) => {
        if (!stop.signal.aborted) setState(next);
      })
      .catch(() => undefined);
    return () => stop.abort();
  }, [rows, studio, sectionId, paper, size, fingers]);
  if (rows === undefined) return { kind: 'loading' };
  if (rows === null) return { kind: 'no-piece' };
  return state.kind === 'ready' && state.drawn.piece.id !== rows.piece.id ? { kind: 'loading' } : state;
}
