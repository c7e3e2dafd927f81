import { draftToMusicXml, gridToDraft, parseGrid } from '../../bargrid';
import { carryPlaces, type Paper, type PaperResult } from '../../paper';
import { fail, ok } from '../../result';
import type { Layout } from '../../studio';
import { command, put, remove, type RowToPut } from '../command';
import { gone } from '../refusals';
import type { PagePicture } from './bring-in-pages';

export interface ChangePaper {
  readonly pieceId: string;
  /** From the paper as it is stored to the paper as it is to be. */
  readonly edit: (paper: Paper) => PaperResult;
  readonly label: string;
  /** Pictures of pages that come with it. */
  readonly pictures?: readonly PagePicture[];
  readonly says?: string;
}

/** What of a stored layout can be changed. */
const bare = ({ updatedAt: _, touched: _t, ...layout }: Layout): RowToPut<'layouts'> => layout;

/**
 * Changes the bars of printed pages, or what they say: the document is written anew, sections and pencil marks stay
 * where they were on the paper.
 */
export const changePaper = command({
  asks: ({ pieceId }: ChangePaper) => ({
    pieces: { ids: [pieceId] },
    layouts: { pieceId },
    sections: { pieceId },
    marks: { pieceId },
  }),
  run: (stored, { pieceId, edit, label, pictures = [], says }: ChangePaper) => {
    const [piece] = stored.pieces;
    if (!piece) return gone('piece');
    const grid = parseGrid(piece.original ?? '');
    if (!grid) return fail('grid-broken', 'What is known of the bars of these pages is damaged. Undo brings it back.');
    const before: Paper = { grid, layouts: [...stored.layouts].sort((a, b) => a.order - b.order).map(bare) };
    const change = edit(before);
    if (!change.ok) return change;
    const { layouts } = change.value.paper;
    const paper: Paper = { layouts, grid: { ...change.value.paper.grid, laid: (grid.laid ?? 0) + 1 } };
    const draft = gridToDraft(paper.grid);
    if (!draft.ok) return draft;
    const carried = carryPlaces(change.value, before, stored);
    const there = new Set(paper.layouts.map((l) => l.id));
    const lost = before.layouts.filter((l) => !there.has(l.id)).map((l) => l.id);
    return ok({
      label,
      changes: [
        put('pieces', {
          ...piece,
          // A score that was laid over the pages stays; only where the bars lie has changed.
          ...(piece.format === 'grid' ? { source: draftToMusicXml(draft.value.draft) } : {}),
          original: JSON.stringify(paper.grid),
        }),
        ...paper.layouts.map((layout) => put('layouts', layout)),
        ...pictures.map((picture, i) => put('pages', { ...picture, pieceId, order: paper.layouts.length + i })),
        ...lost.flatMap((id) => [remove('layouts', id), remove('pages', id)]),
        ...carried.sections.map((s) => put('sections', s)),
        ...carried.goneMarks.map((id) => remove('marks', id)),
        ...carried.marks.map((m) => put('marks', m as RowToPut<'marks'>)),
      ],
      ...(says === undefined ? {} : { says }),
    });
  },
});
