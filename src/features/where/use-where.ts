'use client';

import { usePathname, useRouter, useSearchParams } from 'next/navigation';
import { useCallback, useEffect, useMemo, useSyncExternalStore } from 'react';
import { clearArrived, pendingAddress, pendingOnServer, putPending, subscribePending } from './pending-address';

/** In the order of the work, then all students at once. */
export const STAGES = ['shelf', 'read', 'sections', 'marks', 'ladder', 'lesson', 'home', 'board'] as const;
/** What belongs to the studio as a whole. */
export const STUDIO_STAGES = ['files', 'settings', 'about'] as const;
export type Stage = (typeof STAGES)[number] | (typeof STUDIO_STAGES)[number] | 'prepare' | 'sheet';

export interface Where {
  readonly stage: Stage;
  readonly pieceId: string | null;
  readonly studentId: string | null;
  readonly sectionId: string | null;
  /** Selected bars, indexes, both included. */
  readonly bars: readonly [number, number] | null;
  /** What of the stage is looked at, where it has several views; null for the first. */
  readonly view: string | null;
}

export interface WhereChange {
  readonly pieceId?: string | null;
  readonly studentId?: string | null;
  readonly sectionId?: string | null;
  readonly bars?: readonly [number, number] | null;
  readonly view?: string | null;
}

export interface WhereAccess extends Where {
  /** Replaces part of the address without leaving the stage. */
  readonly change: (change: WhereChange) => void;
  /** Goes to a stage, keeping who and what. */
  readonly go: (stage: Stage, change?: WhereChange) => void;
  readonly addressOf: (stage: Stage, change?: WhereChange) => string;
}

const isStage = (name: string): name is Stage =>
  [...STAGES, ...STUDIO_STAGES, 'prepare', 'sheet'].includes(name as Stage);

/** `5-8` or `5`, bars counted from 1 as in the address bar; null for anything else. */
export function parseBars(text: string | null): readonly [number, number] | null {
  const match = /^(\d{1,5})(?:-(\d{1,5}))?$/.exec(text ?? '');
  if (!match) return null;
  const from = Number(match[1]) - 1;
  const to = match[2] === undefined ? from : Number(match[2]) - 1;
  return from >= 0 && to >= from ? [from, to] : null;
}

function toQuery(where: Omit<Where, 'stage'>): string {
  const query = new URLSearchParams();
  if (where.pieceId) query.set('piece', where.pieceId);
  if (where.studentId) query.set('student', where.studentId);
  if (where.sectionId) query.set('section', where.sectionId);
  if (where.bars)
    query.set(
      'bars',
      where.bars[0] === where.bars[1] ? String(where.bars[0] + 1) : `${where.bars[0] + 1}-${where.bars[1] + 1}`,
    );
  if (where.view) query.set('view', where.view);
  const text = query.toString();
  return text === '' ? '' : `?${text}`;
}

/**
 * The address says the stage, the piece, the student, the section and the selected bars; everything else follows from
 * it.
 */
export function useWhere(): WhereAccess {
  const pathname = usePathname();
  const params = useSearchParams();
  const router = useRouter();
  const pending = useSyncExternalStore(subscribePending, pendingAddress, pendingOnServer);
  const ahead = pending !== null && pending.pathname === pathname ? pending.query : null;
  const query = ahead ?? params.toString();
  const arrived = pending !== null && (pending.pathname !== pathname || pending.query === params.toString());
  useEffect(() => {
    if (arrived && pending !== null) clearArrived(pending);
  }, [arrived, pending]);
  const where = useMemo<Where>(() => {
    const params = new URLSearchParams(query);
    const first = pathname.split('/')[1] ?? '';
    return {
      stage: isStage(first) ? first : 'shelf',
      pieceId: params.get('piece'),
      studentId: params.get('student'),
      sectionId: params.get('section'),
      bars: parseBars(params.get('bars')),
      view: /^[a-z]{1,20}$/.exec(params.get('view') ?? '')?.[0] ?? null,
    };
  }, [pathname, query]);
  const merged = useCallback(
    (change: WhereChange = {}): Omit<Where, 'stage'> => {
      const next = { ...where, ...change };
      // Another piece has other bars and sections.
      return change.pieceId !== undefined && change.pieceId !== where.pieceId
        ? { ...next, bars: change.bars ?? null, sectionId: change.sectionId ?? null }
        : next;
    },
    [where],
  );
  const addressOf = useCallback(
    // Another stage has other views.
    (stage: Stage, change?: WhereChange) => `/${stage}${toQuery(merged({ view: null, ...change }))}`,
    [merged],
  );
  return {
    ...where,
    change: useCallback(
      (change: WhereChange) => {
        const text = toQuery(merged(change));
        putPending({ pathname, query: text.slice(1) });
        window.history.replaceState(null, '', `${pathname}${text}`);
      },
      [pathname, merged],
    ),
    go: useCallback((stage: Stage, change?: WhereChange) => router.push(addressOf(stage, change)), [router, addressOf]),
    addressOf,
  };
}
