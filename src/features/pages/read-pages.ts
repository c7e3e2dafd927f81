import type { PageOptions } from '@/core/page';
import type { PageToPlace } from '@/core/paper';
import type { PagePicture } from '@/core/commands';
import { ok, type Result } from '@/core/result';
import { clampText, MOST } from '@/core/studio';
import { readPicture, type KeptPicture, type Running } from '@/workers';
import type { PageSource } from './page-sources';

/** A page that was read: its picture as it is kept, and what is on it. */
export interface PageRead {
  readonly id: string;
  readonly name: string;
  readonly kept: KeptPicture;
}

/** A page that was read, to be placed in a piece. */
export const toPlace =
  (pieceId: string) =>
  ({ id, kept: { width, height, flat } }: PageRead): PageToPlace => ({ id, pieceId, width, height, flat });

/** Pictures of pages that were read, as they are kept. */
export const picturesOf = (pages: readonly PageRead[]): readonly PagePicture[] =>
  pages.map(({ id, name, kept: { type, data } }) => ({ id, name: clampText(name, MOST.title), type, data }));

/** How far the reading of several pages is: which one, and how much of it. */
export interface ReadingProgress {
  readonly page: number;
  readonly of: number;
  readonly share: number;
}

/** Reads pages one after the other; it stops at the first that cannot be opened, and when it is told to. */
export function readPages(
  sources: readonly PageSource[],
  options: PageOptions,
  progress: (at: ReadingProgress) => void,
): Running<Result<readonly PageRead[]> | null> {
  let running: Running<Result<KeptPicture>> | null = null;
  let stopped = false;
  const read = async (): Promise<Result<readonly PageRead[]> | null> => {
    const pages: PageRead[] = [];
    for (const [i, source] of sources.entries()) {
      progress({ page: i + 1, of: sources.length, share: 0 });
      const picture = await source.picture();
      if (stopped) return null;
      if (!picture.ok) return picture;
      running = readPicture(picture.value, options, (share) => progress({ page: i + 1, of: sources.length, share }));
      const kept = await running.result;
      if (stopped) return null;
      if (!kept.ok) return kept;
      pages.push({ id: crypto.randomUUID(), name: source.name, kept: kept.value });
    }
    return ok(pages);
  };
  return {
    result: read(),
    cancel: () => {
      stopped = true;
      running?.cancel();
    },
  };
}
