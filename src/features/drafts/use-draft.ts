'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import { dropDraft, keepDraft, readDraft, useStudio } from '@/store';

/** What is being made under a key and not stored yet, of any shape; null while nothing is. */
export interface OpenDraft<T> {
  readonly value: T | null;
  /** Under the key in hand, or under another one that is ahead of the screen. */
  readonly set: (value: T, named?: string) => void;
  /** It is stored now, or given up. */
  readonly settle: (key?: string) => void;
}

/**
 * Something that is being made under a key: each step goes into the database at once, so that leaving and reloading
 * lose nothing, and it comes back under the same key until it is settled. `parse` tells whether what was kept is still
 * of the shape that is wanted.
 */
export function useDraft<T>(key: string | null, parse: (value: unknown) => T | null): OpenDraft<T> {
  const { db, now } = useStudio();
  const [open, setOpen] = useState<{ readonly key: string; readonly value: T } | null>(null);
  /** What was begun here since: a draft of before never comes over it. */
  const begun = useRef(new Set<string>());
  const parsed = useRef(parse);
  useEffect(() => {
    parsed.current = parse;
  });
  useEffect(() => {
    if (key === null) return undefined;
    let current = true;
    readDraft(db, key)
      .then((draft) => {
        const value = draft === undefined ? null : parsed.current(draft);
        if (current && value !== null && !begun.current.has(key)) setOpen({ key, value });
      })
      // A draft that cannot be read is none.
      .catch(() => undefined);
    return () => {
      current = false;
    };
  }, [db, key]);
  return {
    value: open !== null && open.key === key ? open.value : null,
    set: useCallback(
      (value: T, named?: string) => {
        const which = named ?? key;
        if (which === null) return;
        begun.current.add(which);
        setOpen({ key: which, value });
        keepDraft(db, which, value, now());
      },
      [db, key, now],
    ),
    settle: useCallback(
      (named?: string) => {
        const which = named ?? key;
        if (which === null) return;
        begun.current.add(which);
        setOpen((before) => (before?.key === which ? null : before));
        dropDraft(db, which);
      },
      [db, key],
    ),
  };
}

const asText = (value: unknown): string | null => (typeof value === 'string' ? value : null);

export interface DraftText {
  readonly text: string;
  /** Something was typed that is not kept yet. */
  readonly open: boolean;
  readonly type: (text: string) => void;
  readonly settle: () => void;
}

/**
 * A text that is kept elsewhere (`kept`), as it is being typed. What changes elsewhere shows while nothing is typed.
 */
export function useDraftText(key: string, kept: string): DraftText {
  const draft = useDraft(key, asText);
  const mine = draft.value !== null && draft.value !== kept ? draft.value : null;
  return { text: mine ?? kept, open: mine !== null, type: (text) => draft.set(text), settle: () => draft.settle() };
}
