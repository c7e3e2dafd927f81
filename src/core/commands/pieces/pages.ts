import { ok } from '../../result';
import type { Page } from '../../studio';
import { command, put, remove } from '../command';
import { gone } from '../refusals';

export interface AddPage extends Pick<Page, 'pieceId' | 'name' | 'type' | 'data'> {
  readonly pieceId: string;
}

/** Keeps the picture of a page with its piece, behind those that are there. */
export const addPage = command({
  asks: ({ pieceId }: AddPage) => ({ pieces: { ids: [pieceId] }, pages: { pieceId } }),
  run: (stored, page: AddPage, { newId }) => {
    if (stored.pieces.length === 0) return gone('piece');
    const id = newId();
    return ok({
      label: `page ${page.name}`,
      changes: [put('pages', { ...page, id, order: Math.max(0, ...stored.pages.map((p) => p.order)) + 1 })],
      made: id,
    });
  },
});

/** Takes the picture of a page away. */
export const removePage = command({
  asks: ({ pageId }: { readonly pageId: string }) => ({ pages: { ids: [pageId] } }),
  run: (stored) =>
    stored.pages.length === 0
      ? gone('page')
      : ok({
          label: 'page taken away',
          changes: stored.pages.map((p) => remove('pages', p.id)),
          says: 'Page taken away. Undo brings it back.',
        }),
});
