import { useMemo } from 'react';
import { parseGrid, type Grid } from '@/core/bargrid';
import { changePaper, type PagePicture } from '@/core/commands';
import type { Paper, PaperResult } from '@/core/paper';
import { ok } from '@/core/result';
import type { Piece } from '@/core/studio';
import { useActs, type After } from '@/features/acts';
import { useLayouts } from '@/store';

/** The pages of a piece and what can be done to them; `null` where it has none, `undefined` while loading. */
export function usePaper(piece: Piece): Paper | null | undefined {
  const layouts = useLayouts(piece.id);
  return useMemo(() => {
    if (layouts === undefined) return undefined;
    const grid = parseGrid(piece.original ?? '');
    return grid && layouts.length > 0 ? { grid, layouts } : null;
  }, [layouts, piece.original]);
}

/** Changes the pages: `edit` is told the paper as it is stored then. */
export type EditPaper = (
  label: string,
  edit: (paper: Paper) => PaperResult,
  more?: { readonly pictures?: readonly PagePicture[]; readonly says?: string } & After,
) => void;

export function useEditPaper(pieceId: string): EditPaper {
  const { run } = useActs();
  return (label, edit, { pictures, says, ...after } = {}) =>
    run(
      changePaper,
      {
        pieceId,
        edit,
        label,
        ...(pictures === undefined ? {} : { pictures }),
        ...(says === undefined ? {} : { says }),
      },
      after,
    );
}

/** A change of what is said about the bars, with every one where it lies. */
export const sayingOf =
  (change: (grid: Grid) => Grid) =>
  (paper: Paper): PaperResult =>
    ok({ paper: { ...paper, grid: change(paper.grid) }, moved: new Map(), keepsLines: true });
