'use client';

import { useMemo } from 'react';
import { isSection } from '@/core/way';
import { foldEvents, unpackGlances, type FoldedRecords, type FoldedStanding, type Glance } from '@/core/mastery';
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
import type { Work } from './record-rows';
import { useLive } from './use-live';

export type Loaded<T> = T | undefined;

/** A student or a piece that was removed. */
export type RemovedRow =
  | { readonly table: 'students'; readonly at: string; readonly row: Student }
  | { readonly table: 'pieces'; readonly at: string; readonly row: Piece };

/** All pieces by their titles, technique exercises behind them; archived ones, too. As they are stored now. */
export async function everyPiece(db: StudioDatabase): Promise<Piece[]> {
  const all = await db.pieces.orderBy('title').toArray();
  return [...all.filter((p) => !isTechnique(p)), ...all.filter(isTechnique)];
}

/** The same, kept up to date on the screen. */
export function useEveryPiece(): Loaded<Piece[]> {
  const { db } = useStudio();
  return useLive(() => everyPiece(db), [db]);
}

/** The pieces that are chosen from: those that are not archived. */
export function usePieces(): Loaded<Piece[]> {
  const every = useEveryPiece();
  return useMemo(() => every?.filter((p) => p.archived !== true), [every]);
}

/** The piece, `null` when there is none of that id, `undefined` while loading. */
export function usePiece(id: string | null): Loaded<Piece | null> {
  const { db } = useStudio();
  return useLive(async () => (id ? ((await db.pieces.get(id)) ?? null) : null), [db, id]);
}

/** The sections of a piece and those inside them; the chunks of its way are asked for by themselves. */
export function useSections(pieceId: string | null): Loaded<Section[]> {
  const { db } = useStudio();
  return useLive(
    async () => (pieceId ? (await db.sections.where('pieceId').equals(pieceId).toArray()).filter(isSection) : []),
    [db, pieceId],
  );
}

/** Whether any of some pieces has sections. */
export function useHasSections(pieceIds: readonly string[]): Loaded<boolean> {
  const { db } = useStudio();
  return useLive(
    async () =>
      (await db.sections
        .where('pieceId')
        .anyOf([...pieceIds])
        .filter(isSection)
        .first()) !== undefined,
    [db, pieceIds],
  );
}

/** Everything that a way is made of: the ways of a piece and all rows they go over, sections and chunks. */
export function useWays(
  pieceId: string | null,
): Loaded<{ readonly ways: readonly StoredWay[]; readonly places: readonly Section[] }> {
  const { db } = useStudio();
  return useLive(
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
  return useLive(async () => (pieceId ? db.marks.where('pieceId').equals(pieceId).toArray() : []), [db, pieceId]);
}

export function useLadders(pieceId: string | null): Loaded<Ladder[]> {
  const { db } = useStudio();
  return useLive(async () => (pieceId ? db.ladders.where('pieceId').equals(pieceId).toArray() : []), [db, pieceId]);
}

export function usePages(pieceId: string | null): Loaded<Page[]> {
  const { db } = useStudio();
  return useLive(async () => (pieceId ? db.pages.where('pieceId').equals(pieceId).sortBy('order') : []), [db, pieceId]);
}

/** All students in the teacher's order; those that are archived, too. */
export function useEveryStudent(): Loaded<Student[]> {
  const { db } = useStudio();
  return useLive(() => db.students.orderBy('order').toArray(), [db]);
}

/** The students who are taught: those that are not archived. */
export function useStudents(): Loaded<Student[]> {
  const every = useEveryStudent();
  return useMemo(() => every?.filter((s) => s.archived !== true), [every]);
}

/** Students and pieces that were removed, with all they held, latest first. */
export function useRemoved(): Loaded<readonly RemovedRow[]> {
  const { db } = useStudio();
  return useLive(async () => {
    const gone = await db.removed.where('table').anyOf(['students', 'pieces']).toArray();
    const rows = gone.flatMap(({ table, at, row }): RemovedRow[] => {
      if (row === null || (table !== 'students' && table !== 'pieces')) return [];
      const parsed = parseRow(table, row);
      return 'row' in parsed ? [{ table, at, row: parsed.row } as RemovedRow] : [];
    });
    return rows.sort((a, b) => (a.at < b.at ? 1 : -1));
  }, [db]);
}

/** Whose works, and on what. */
interface WorkFilter {
  readonly pieceId?: string | null;
  readonly studentId?: string | null;
}

/** A glance at every work there is, or at those of one piece or of one student. */
async function glancesOf(
  db: StudioDatabase,
  { pieceId = null, studentId = null }: WorkFilter,
): Promise<readonly Glance[]> {
  const packed = studentId === null ? await db.glances.toArray() : [await db.glances.get(studentId)];
  const glances = packed.flatMap((p) => (p ? unpackGlances(p) : []));
  return pieceId === null ? glances : glances.filter((g) => g.pieceId === pieceId);
}

/** Works read at a time: the page is not held up by more. */
const WORKS_AT_A_TIME = 12;
/** The works that were read last, by their keys; what has another stamp since is read again. */
const MOST_KEPT = 600;
const worksRead = new Map<string, Work>();

/** Works at which was glanced, read where they have changed since. */
async function worksAt(db: StudioDatabase, glances: readonly Glance[]): Promise<readonly Work[]> {
  const keyOf = (g: { readonly key: string }): string => `${db.name} ${g.key}`;
  const known = new Map<string, Work>();
  for (const g of glances) {
    const there = worksRead.get(keyOf(g));
    if (there?.stamp === g.stamp) known.set(g.key, there);
  }
  const missing = glances.flatMap((g) => (known.has(g.key) ? [] : [g.key]));
  for (const part of inParts(missing, WORKS_AT_A_TIME))
    for (const work of await db.works.bulkGet(part)) if (work) known.set(work.key, work);
  for (const work of known.values()) {
    worksRead.delete(keyOf(work));
    worksRead.set(keyOf(work), work);
  }
  // What was asked for longest ago goes first.
  for (const key of worksRead.keys()) {
    if (worksRead.size <= MOST_KEPT) break;
    worksRead.delete(key);
  }
  return glances.flatMap((g) => known.get(g.key) ?? []);
}

/** Standings by `student section`, of one piece, of one student, or of one student on one piece. */
export function useStandings(filter: WorkFilter): Loaded<ReadonlyMap<string, FoldedStanding>> {
  const { db } = useStudio();
  const { pieceId = null, studentId = null } = filter;
  return useLive(async () => {
    if (pieceId === null && studentId === null) return new Map<string, FoldedStanding>();
    if (await areStandingsLeft(db)) return undefined;
    const works = await worksAt(db, await glancesOf(db, { pieceId, studentId }));
    return new Map(works.flatMap((w) => w.standings.map((s) => [s.key, s] as const)));
  }, [db, pieceId, studentId]);
}

/** Standings of some works, by `student piece`, and which were asked for. */
export interface WorksOf {
  readonly asked: ReadonlySet<string>;
  readonly standings: ReadonlyMap<string, readonly FoldedStanding[]>;
}

/** Standings of the works at some glances; for a moment those of the former. */
export function useWorks(glances: readonly Glance[]): Loaded<WorksOf> {
  const { db } = useStudio();
  return useLive(async () => {
    const works = await worksAt(db, glances);
    return {
      asked: new Set(glances.map((g) => g.key)),
      standings: new Map(works.map((w) => [w.key, w.standings])),
    };
  }, [db, glances]);
}

/** A glance at every work there is, or at those on one piece. */
export function useGlances(pieceId: string | null, wanted = true): Loaded<readonly Glance[]> {
  const { db } = useStudio();
  return useLive(async () => {
    if (!wanted) return [];
    return (await areStandingsLeft(db)) ? undefined : glancesOf(db, { pieceId });
  }, [db, pieceId, wanted]);
}

/** Fingers of a piece that were changed after practice had begun, by note, oldest first. */
export function useFingerings(pieceId: string | null): Loaded<FoldedRecords['fingerings']> {
  const { db } = useStudio();
  return useLive(async () => {
    if (!pieceId) return new Map();
    return foldEvents(await recordsOfPiece(db, pieceId, ['fingering'])).fingerings;
  }, [db, pieceId]);
}

/** Every record about a student, with what takes them back: lessons, what was heard, assignments, practice. */
export function useStudentEvents(studentId: string | null): Loaded<readonly StudioEvent[]> {
  const { db } = useStudio();
  return useLive(async () => (studentId ? recordsOfStudent(db, studentId) : []), [db, studentId]);
}

export function useTemplates(): Loaded<Template[]> {
  const { db } = useStudio();
  return useLive(() => db.templates.orderBy('name').toArray(), [db]);
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
  return useLive(async () => {
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
  return useLive(async () => (await db.settings.get('studio')) ?? null, [db]);
}

/** Labels of what would be undone and redone next. */
export function useUndoLabels(): Loaded<{ undo: string | null; redo: string | null }> {
  const { db } = useStudio();
  return useLive(async () => {
    const done = await db.changes.where('undone').equals(0).last();
    const undone = await db.changes.where('undone').equals(1).first();
    return { undo: done?.label ?? null, redo: undone?.label ?? null };
  }, [db]);
}

/** What the tool did that the teacher should know and has not seen yet, latest first. */
export function useNotices(): Loaded<readonly Notice[]> {
  const { db } = useStudio();
  return useLive(async () => [...(await db.notices.toArray())].reverse(), [db]);
}
