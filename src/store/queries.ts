'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import { useMemo } from 'react';
import { isSection } from '@/core/way';
import { foldEvents, type FoldedRecords, workKey, type FoldedStanding, type Glance } from '@/core/mastery';
import { isTechnique, parseRow } from '@/core/studio';
import type {
  Ladder,
  Mark,
  Page,
  Piece,
  Section,
  Settings,
  StoredWay,
  Student,
  StudioEvent,
  Template,
} from '@/core/studio';
import { areStandingsLeft } from './bind-records';
import type { Notice, StudioDatabase } from './database';
import { recordsOfPiece, recordsOfStudent } from './find-records';
import { inParts } from './merge-rows-in';
import { useStudio } from './studio-context';

export type Loaded<T> = T | undefined;

/** A student or a piece that was removed. */
export type RemovedRow =
  | { readonly table: 'students'; readonly at: string; readonly row: Student }
  | { readonly table: 'pieces'; readonly at: string; readonly row: Piece };

/** All pieces by their titles, technique exercises behind them; those that are archived, too. */
export function useEveryPiece(): Loaded<Piece[]> {
  const { db } = useStudio();
  return useLiveQuery(async () => {
    const all = await db.pieces.orderBy('title').toArray();
    return [...all.filter((p) => !isTechnique(p)), ...all.filter(isTechnique)];
  }, [db]);
}

/** The pieces that are chosen from: those that are not archived. */
export function usePieces(): Loaded<Piece[]> {
  const every = useEveryPiece();
  return useMemo(() => every?.filter((p) => p.archived !== true), [every]);
}

/** The piece, `null` when there is none of that id, `undefined` while loading. */
export function usePiece(id: string | null): Loaded<Piece | null> {
  const { db } = useStudio();
  return useLiveQuery(async () => (id ? ((await db.pieces.get(id)) ?? null) : null), [db, id]);
}

/** The sections of a piece and those inside them; the chunks of its way are asked for by themselves. */
export function useSections(pieceId: string | null): Loaded<Section[]> {
  const { db } = useStudio();
  return useLiveQuery(
    async () => (pieceId ? (await db.sections.where('pieceId').equals(pieceId).toArray()).filter(isSection) : []),
    [db, pieceId],
  );
}

/** Everything that a way is made of: the ways of a piece and all rows they go over, sections and chunks. */
export function useWays(
  pieceId: string | null,
): Loaded<{ readonly ways: readonly StoredWay[]; readonly places: readonly Section[] }> {
  const { db } = useStudio();
  return useLiveQuery(
    async () =>
      pieceId
        ? {
            ways: await db.ways.where('pieceId').equals(pieceId).toArray(),
            places: await db.sections.where('pieceId').equals(pieceId).toArray(),
          }
        : { ways: [], places: [] },
    [db, pieceId],
  );
}

export function useMarks(pieceId: string | null): Loaded<Mark[]> {
  const { db } = useStudio();
  return useLiveQuery(async () => (pieceId ? db.marks.where('pieceId').equals(pieceId).toArray() : []), [db, pieceId]);
}

export function useLadders(pieceId: string | null): Loaded<Ladder[]> {
  const { db } = useStudio();
  return useLiveQuery(
    async () => (pieceId ? db.ladders.where('pieceId').equals(pieceId).toArray() : []),
    [db, pieceId],
  );
}

export function usePages(pieceId: string | null): Loaded<Page[]> {
  const { db } = useStudio();
  return useLiveQuery(
    async () => (pieceId ? db.pages.where('pieceId').equals(pieceId).sortBy('order') : []),
    [db, pieceId],
  );
}

/** All students in the teacher's order; those that are archived, too. */
export function useEveryStudent(): Loaded<Student[]> {
  const { db } = useStudio();
  return useLiveQuery(() => db.students.orderBy('order').toArray(), [db]);
}

/** The students who are taught: those that are not archived. */
export function useStudents(): Loaded<Student[]> {
  const every = useEveryStudent();
  return useMemo(() => every?.filter((s) => s.archived !== true), [every]);
}

/** Students and pieces that were removed, with all they held, latest first. */
export function useRemoved(): Loaded<readonly RemovedRow[]> {
  const { db } = useStudio();
  return useLiveQuery(async () => {
    const gone = await db.removed.where('table').anyOf(['students', 'pieces']).toArray();
    const rows = gone.flatMap(({ table, at, row }): RemovedRow[] => {
      if (row === null || (table !== 'students' && table !== 'pieces')) return [];
      const parsed = parseRow(table, row);
      return 'row' in parsed ? [{ table, at, row: parsed.row } as RemovedRow] : [];
    });
    return rows.sort((a, b) => (a.at < b.at ? 1 : -1));
  }, [db]);
}

/** Works read at a time: the page is not held up by more. */
const WORKS_AT_A_TIME = 12;

/** Standings of some works by `student section`, read in portions. */
async function standingsIn(db: StudioDatabase, keys: readonly string[]): Promise<ReadonlyMap<string, FoldedStanding>> {
  const standings = new Map<string, FoldedStanding>();
  for (const part of inParts(keys, WORKS_AT_A_TIME))
    for (const work of await db.works.bulkGet(part)) for (const s of work?.standings ?? []) standings.set(s.key, s);
  return standings;
}

/** Standings by `student section`, of one piece, of one student, or of one student on one piece. */
export function useStandings(filter: {
  readonly pieceId?: string | null;
  readonly studentId?: string | null;
}): Loaded<ReadonlyMap<string, FoldedStanding>> {
  const { db } = useStudio();
  const { pieceId = null, studentId = null } = filter;
  return useLiveQuery(async () => {
    if (await areStandingsLeft(db)) return undefined;
    const keys =
      pieceId && studentId
        ? [workKey({ studentId, pieceId })]
        : pieceId
          ? await db.works.where('pieceId').equals(pieceId).primaryKeys()
          : studentId
            ? await db.works.where('studentId').equals(studentId).primaryKeys()
            : [];
    return standingsIn(db, keys);
  }, [db, pieceId, studentId]);
}

/** Standings of some students on some pieces, by `student piece`, and which were asked for. */
export interface WorksOf {
  readonly asked: ReadonlySet<string>;
  readonly standings: ReadonlyMap<string, readonly FoldedStanding[]>;
}

/** Standings of some students on some pieces; for a moment those of the former. */
export function useWorks(studentIds: readonly string[], pieceIds: readonly string[]): Loaded<WorksOf> {
  const { db } = useStudio();
  const keys = studentIds.flatMap((studentId) => pieceIds.map((pieceId) => workKey({ studentId, pieceId })));
  const wanted = keys.join('\n');
  return useLiveQuery(async () => {
    const asked = wanted.split('\n').filter((key) => key.trim() !== '');
    const standings = new Map<string, readonly FoldedStanding[]>();
    for (const part of inParts(asked, WORKS_AT_A_TIME))
      for (const work of await db.works.bulkGet(part)) if (work) standings.set(work.key, work.standings);
    return { asked: new Set(asked), standings };
  }, [db, wanted]);
}

/** A glance at every work there is, or at those on one piece. */
export function useGlances(pieceId: string | null, wanted = true): Loaded<readonly Glance[]> {
  const { db } = useStudio();
  return useLiveQuery(async () => {
    if (!wanted) return [];
    if (await areStandingsLeft(db)) return undefined;
    return pieceId === null ? db.glances.toArray() : db.glances.where('pieceId').equals(pieceId).toArray();
  }, [db, pieceId, wanted]);
}

/** Fingers of a piece that were changed after practice had begun, by note, oldest first. */
export function useFingerings(pieceId: string | null): Loaded<FoldedRecords['fingerings']> {
  const { db } = useStudio();
  return useLiveQuery(async () => {
    if (!pieceId) return new Map();
    return foldEvents(await recordsOfPiece(db, pieceId, ['fingering'])).fingerings;
  }, [db, pieceId]);
}

/** Every record about a student, with what takes them back: lessons, what was heard, assignments, practice. */
export function useStudentEvents(studentId: string | null): Loaded<readonly StudioEvent[]> {
  const { db } = useStudio();
  return useLiveQuery(async () => (studentId ? recordsOfStudent(db, studentId) : []), [db, studentId]);
}

export function useTemplates(): Loaded<Template[]> {
  const { db } = useStudio();
  return useLiveQuery(() => db.templates.orderBy('name').toArray(), [db]);
}

/** Sections, the places of their ways, ladders and ways of several pieces at once; for a moment those of the former. */
export function useSectionsOf(pieceIds: readonly string[]): Loaded<{
  /** Whose they are. */
  readonly pieceIds: readonly string[];
  readonly sections: Section[];
  readonly places: Section[];
  readonly ladders: Ladder[];
  readonly ways: StoredWay[];
}> {
  const { db } = useStudio();
  const wanted = pieceIds.join(' ');
  return useLiveQuery(async () => {
    const ids = wanted === '' ? [] : wanted.split(' ');
    const places = await db.sections.where('pieceId').anyOf(ids).toArray();
    return {
      pieceIds: ids,
      sections: places.filter(isSection),
      places,
      ways: await db.ways.where('pieceId').anyOf(ids).toArray(),
      ladders: await db.ladders.where('pieceId').anyOf(ids).toArray(),
    };
  }, [db, wanted]);
}

export function useSettings(): Loaded<Settings | null> {
  const { db } = useStudio();
  return useLiveQuery(async () => (await db.settings.get('studio')) ?? null, [db]);
}

/** Labels of what would be undone and redone next. */
export function useUndoLabels(): Loaded<{ undo: string | null; redo: string | null }> {
  const { db } = useStudio();
  return useLiveQuery(async () => {
    const done = await db.changes.where('undone').equals(0).last();
    const undone = await db.changes.where('undone').equals(1).first();
    return { undo: done?.label ?? null, redo: undone?.label ?? null };
  }, [db]);
}

/** What the tool did that the teacher should know and has not seen yet, latest first. */
export function useNotices(): Loaded<readonly Notice[]> {
  const { db } = useStudio();
  return useLiveQuery(async () => [...(await db.notices.toArray())].reverse(), [db]);
}
