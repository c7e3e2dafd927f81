'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import { foldEvents, type FoldedRecords } from '@/core/mastery';
import type { Ladder, Mark, Page, Piece, Section, Settings, Student } from '@/core/studio';
import { useStudio } from './studio-context';

export type Loaded<T> = T | undefined;

export function usePieces(): Loaded<Piece[]> {
  const { db } = useStudio();
  return useLiveQuery(() => db.pieces.orderBy('title').toArray(), [db]);
}

/** The piece, `null` when there is none of that id, `undefined` while loading. */
export function usePiece(id: string | null): Loaded<Piece | null> {
  const { db } = useStudio();
  return useLiveQuery(async () => (id ? ((await db.pieces.get(id)) ?? null) : null), [db, id]);
}

export function useSections(pieceId: string | null): Loaded<Section[]> {
  const { db } = useStudio();
  return useLiveQuery(async () => (pieceId ? db.sections.where('pieceId').equals(pieceId).toArray() : []), [db, pieceId]);
}

export function useMarks(pieceId: string | null): Loaded<Mark[]> {
  const { db } = useStudio();
  return useLiveQuery(async () => (pieceId ? db.marks.where('pieceId').equals(pieceId).toArray() : []), [db, pieceId]);
}

export function useLadders(pieceId: string | null): Loaded<Ladder[]> {
  const { db } = useStudio();
  return useLiveQuery(async () => (pieceId ? db.ladders.where('pieceId').equals(pieceId).toArray() : []), [db, pieceId]);
}

export function usePages(pieceId: string | null): Loaded<Page[]> {
  const { db } = useStudio();
  return useLiveQuery(async () => (pieceId ? db.pages.where('pieceId').equals(pieceId).sortBy('order') : []), [db, pieceId]);
}

export function useStudents(): Loaded<Student[]> {
  const { db } = useStudio();
  return useLiveQuery(() => db.students.orderBy('order').toArray(), [db]);
}

export function useRecords(): Loaded<FoldedRecords> {
  const { db } = useStudio();
  return useLiveQuery(async () => foldEvents(await db.events.toArray()), [db]);
}

export function useSettings(): Loaded<Settings | null> {
  const { db } = useStudio();
  return useLiveQuery(async () => (await db.settings.get('studio')) ?? null, [db]);
}

/** Labels of what would be undone and redone next. */
export function useUndoLabels(): Loaded<{ undo: string | null; redo: string | null }> {
  const { db } = useStudio();
  return useLiveQuery(async () => {
    const done = await db.changes.where('undone').equals(0).sortBy('seq');
    const undone = await db.changes.where('undone').equals(1).sortBy('seq');
    return { undo: done[done.length - 1]?.label ?? null, redo: undone[0]?.label ?? null };
  }, [db]);
}

/** Settings of a studio that has none yet. */
export const freshSettings = (at: string): Settings => ({ id: 'studio', name: '', barWord: 'bar', noteNames: 'american', lastBackupAt: null, updatedAt: at });
