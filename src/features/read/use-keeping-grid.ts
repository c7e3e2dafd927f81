import { useState } from 'react';
import type { Grid } from '@/core/bargrid';
import { setDocument } from '@/core/commands';
import type { Piece } from '@/core/studio';
import { useActs } from '@/features/acts';
import { sayingOf, useEditPaper } from '@/features/pages';
import { openBrought } from '@/workers';

export type KeepGrid = (label: string, change: (grid: Grid) => Grid, stored?: () => void) => void;

/** Keeps a changed grid: the document is written anew from it. Says what cannot be read. */
function useKeepingBars(piece: Piece, grid: Grid | null) {
  const { run, act } = useActs();
  const [problem, setProblem] = useState<string | null>(null);
  const keep: KeepGrid = (label, change, stored = () => undefined) => {
    if (!grid) return;
    const next = change(grid);
    act(async () => {
      const opened = await openBrought({ kind: 'grid', grid: next, fileName: piece.fileName });
      if (!opened.ok) {
        setProblem(opened.issue.message);
        return;
      }
      setProblem(null);
      run(
        setDocument,
        {
          pieceId: piece.id,
          document: {
            source: opened.value.text,
            original: JSON.stringify(next),
            title: next.title || piece.title,
            composer: next.composer,
          },
          // A grid's bars have ids of their own.
          kept: null,
          label,
        },
        { stored },
      );
    });
  };
  return { keep, problem };
}

/** The same for bars that lie on pages: where they lie stays. */
function useKeepingPages(piece: Piece) {
  const edit = useEditPaper(piece.id);
  const [problem, setProblem] = useState<string | null>(null);
  const keep: KeepGrid = (label, change, stored = () => undefined) =>
    edit(label, sayingOf(change), {
      stored: () => {
        setProblem(null);
        stored();
      },
      refused: (issue) => setProblem(issue.message),
    });
  return { keep, problem };
}

/** Keeps what is said about bars, laid out or lying on pages; what cannot be kept is the problem. */
export function useKeepingGrid(piece: Piece, grid: Grid | null, onPages: boolean) {
  const bars = useKeepingBars(piece, grid);
  const pages = useKeepingPages(piece);
  return onPages ? pages : bars;
}
