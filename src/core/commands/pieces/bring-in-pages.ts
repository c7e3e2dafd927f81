import { draftToMusicXml, gridToDraft } from '../../bargrid';
import { instrumentFromWords } from '../../instruments';
import { barOrder, type Paper } from '../../paper';
import { ok } from '../../result';
import { clampText, MOST, type Page } from '../../studio';
import { command, put } from '../command';

/** The picture of a page as it is kept. */
export type PagePicture = Pick<Page, 'id' | 'name' | 'type' | 'data'>;

export interface BringInPages {
  readonly pieceId: string;
  readonly paper: Paper;
  /** One for each layout, under its id. */
  readonly pictures: readonly PagePicture[];
  readonly fileName: string;
}

/** Puts a piece on the shelf that is worked on as the picture of its pages. */
export const bringInPages = command({
  asks: () => ({}),
  run: (_stored, { pieceId, paper, pictures, fileName }: BringInPages, { now }) => {
    const { grid, layouts } = paper;
    const draft = gridToDraft(grid);
    if (!draft.ok) return draft;
    const title = clampText(grid.title, MOST.title);
    const bars = barOrder(paper).length;
    return ok({
      label: `${title} brought in`,
      changes: [
        put('pieces', {
          id: pieceId,
          title,
          composer: '',
          format: 'grid',
          fileName: clampText(fileName, MOST.title),
          source: draftToMusicXml(draft.value.draft),
          encoding: 'utf-8',
          bom: false,
          original: JSON.stringify(grid),
          ...instrumentFromWords(grid.instrument ?? ''),
          targetTempo: null,
          addedAt: now,
        }),
        ...pictures.map((picture, i) => put('pages', { ...picture, pieceId, order: i + 1 })),
        ...layouts.map((layout) => put('layouts', layout)),
      ],
      says: `${title} is on the shelf: ${bars === 1 ? 'one bar' : `${bars} bars`} on ${layouts.length === 1 ? 'one page' : `${layouts.length} pages`}.`,
      made: pieceId,
    });
  },
});
