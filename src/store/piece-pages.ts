'use client';

import type { Layout, Page } from '@/core/studio';
import type { StudioDatabase } from './database';
import type { Loaded } from './queries';
import { useStudio } from './studio-context';
import { useLive } from './use-live';

const inOrder = (layouts: readonly Layout[]): readonly Layout[] => [...layouts].sort((a, b) => a.order - b.order);

/** Where the bars of a piece lie on its pages, in their order; none for a piece without pages. Pictures stay behind. */
export const layoutsOf = async (db: StudioDatabase, pieceId: string): Promise<readonly Layout[]> =>
  inOrder(await db.layouts.where('pieceId').equals(pieceId).toArray());

/** The pictures of some pages. */
export const pagesById = async (db: StudioDatabase, ids: readonly string[]): Promise<readonly Page[]> =>
  (await db.pages.bulkGet([...new Set(ids)])).flatMap((p) => p ?? []);

/** The same, followed as it changes. */
export function useLayouts(pieceId: string | null): Loaded<readonly Layout[]> {
  const { db } = useStudio();
  return useLive(async () => (pieceId ? layoutsOf(db, pieceId) : []), [db, pieceId]);
}

/** The address under which a kept picture is shown. */
export const pictureAddress = ({ type, data }: Pick<Page, 'type' | 'data'>): string => `data:${type};base64,${data}`;

/** The picture of one page; null where it is not there. */
export function usePagePicture(id: string | null): Loaded<Page | null> {
  const { db } = useStudio();
  return useLive(async () => (id ? ((await db.pages.get(id)) ?? null) : null), [db, id]);
}
