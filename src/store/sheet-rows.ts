import { foldLessons } from '@/core/mastery';
import type { SheetStudio } from '@/core/sheet';
import { dayOf, type AssignmentEvent, type Piece, type Zone } from '@/core/studio';
import type { StudioDatabase } from './database';
import { recordsOfStudent } from './find-records';
import { weeksOf } from './week-in-hand';

/** Everything that the sheet of one student is made from. */
export interface SheetRows extends Omit<SheetStudio, 'assignment'> {
  /** The week in hand; null where none was given. */
  readonly assignment: AssignmentEvent | null;
  /** Ids of the rungs that are done. */
  readonly rungsDone: ReadonlySet<string>;
}

/** Days on which a student had a lesson. */
async function lessonDaysOf(db: StudioDatabase, studentId: string, zone: Zone): Promise<SheetRows['lessonDays']> {
  const own = await recordsOfStudent(db, studentId, ['lesson', 'lesson-joined']);
  return foldLessons(own).map((l) => dayOf(l.at, zone));
}

/** What is kept about the week of a student and the pieces in it; null where there is no such student. */
export async function sheetRows(db: StudioDatabase, studentId: string, zone: Zone): Promise<SheetRows | null> {
  const student = await db.students.get(studentId);
  if (!student) return null;
  const { inHand: assignment } = await weeksOf(db, studentId);
  const ids = [...new Set(assignment?.items.flatMap((i) => i.pieceId ?? []) ?? [])];
  const works = await db.works.where('studentId').equals(studentId).toArray();
  return {
    student,
    assignment,
    lessonDays: await lessonDaysOf(db, studentId, zone),
    pieces: (await db.pieces.bulkGet(ids)).filter((p): p is Piece => p !== undefined),
    places: await db.sections.where('pieceId').anyOf(ids).toArray(),
    ladders: await db.ladders.where('pieceId').anyOf(ids).toArray(),
    marks: await db.marks.where('pieceId').anyOf(ids).toArray(),
    settings: (await db.settings.get('studio')) ?? null,
    rungsDone: new Set(works.flatMap((w) => w.standings.flatMap((s) => s.rungsDone))),
    zone,
  };
}
