import type { ReactNode } from 'react';
import { recentlyUsed, useRemembered } from './recently-used';

/** First lines drawn while their files were read, by piece id: shown until the piece itself is drawn. */
const looks = recentlyUsed<string>(4);

/** Keeps the first line of a piece that was just brought in. */
export const keepFirstLook = (pieceId: string, svg: string): void => looks.put(pieceId, svg);

/** The first line of a piece that was just brought in. */
export const useFirstLook = (pieceId: string | null): string | undefined => useRemembered(looks, pieceId);

/** A line of music as the engraver drew it. */
export function FirstLook({ svg, label }: { readonly svg: string; readonly label: string }): ReactNode {
  // The engraver's own output, from a document written here.
  return (
    <div className="engraved overflow-x-auto" role="img" aria-label={label} dangerouslySetInnerHTML={{ __html: svg }} />
  );
}
