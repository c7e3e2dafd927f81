'use client';

import { useEffect, useState, type ReactNode } from 'react';
import type { Piece } from '@/core/studio';
import { cachedEngraving, keepEngraving, useStudio } from '@/store';
import { useWhere } from '@/features/where';
import { versionOf } from './loaded-piece';
import { recentlyUsed, useRemembered } from './recently-used';

/** First lines drawn while their files were read, by piece id: shown until the piece itself is drawn. */
const looks = recentlyUsed<string>(4);
/** First lines of pieces as they were seen last, by what they are the first line of. */
const seen = recentlyUsed<string>(60);

/** Whose part it was, too: another student may play another one. */
const lookKey = (piece: Piece, studentId: string | null): string => `first line ${versionOf(piece)} ${studentId ?? ''}`;

/** Keeps the first line of a piece that was just brought in. */
export const keepFirstLook = (pieceId: string, svg: string): void => looks.put(pieceId, svg);

/** Keeps the first line of a piece for the next time it is opened, once it is on screen; null where it is not. */
export function useKeepingLook(piece: Piece, svg: string | null): void {
  const { db } = useStudio();
  const { studentId } = useWhere();
  const key = lookKey(piece, studentId);
  useEffect(() => {
    if (svg === null || seen.get(key) === svg) return;
    seen.put(key, svg);
    keepEngraving(db, key, [svg], Date.now()).catch(() => undefined);
  }, [db, key, svg]);
}

/** The first line of a piece: that of its file if it was just brought in, else as it was seen last. */
export function useFirstLook(piece: Piece | null | undefined): string | undefined {
  const { db } = useStudio();
  const { studentId } = useWhere();
  const brought = useRemembered(looks, piece?.id ?? null);
  const key = piece ? lookKey(piece, studentId) : null;
  const before = key === null ? undefined : seen.get(key);
  const [kept, setKept] = useState<{ readonly key: string; readonly svg: string } | null>(null);
  const isKnown = brought !== undefined || before !== undefined;
  useEffect(() => {
    if (key === null || isKnown) return undefined;
    let current = true;
    cachedEngraving(db, key, Date.now())
      .then((systems) => {
        const [svg] = systems ?? [];
        if (current && svg !== undefined) setKept({ key, svg });
      })
      .catch(() => undefined);
    return () => {
      current = false;
    };
  }, [db, key, isKnown]);
  return brought ?? before ?? (kept !== null && kept.key === key ? kept.svg : undefined);
}

/** A line of music as the engraver drew it. */
export function FirstLook({ svg, label }: { readonly svg: string; readonly label: string }): ReactNode {
  // The engraver's own output, from a document written here.
  return (
    <div className="engraved overflow-x-auto" role="img" aria-label={label} dangerouslySetInnerHTML={{ __html: svg }} />
  );
}
