import { currentAssignment, foldLessons } from '@/core/mastery';
import {
  dayOf,
  type AssignmentEvent,
  type Day,
  type Ladder,
  type Mark,
  type Piece,
  type Section,
  type Settings,
  type Student,
  type Zone,
} from '@/core/studio';
import type { StudioDatabase } from './database';
import { wordsAbout } from './standings';

/** Everything that the sheet of one student is made from. */
export interface SheetRows {
  readonly student: Student;
  /** The week in hand; null where none was given. */
  readonly assignment: AssignmentEvent | null;
  readonly lessonDays: readonly Day[];
  readonly pieces: readonly Piece[];
  readonly places: readonly Section[];
  readonly ladders: readonly Ladder[];
  readonly marks: readonly Mark[];
  readonly settings: Settings | null;
  /** Ids of the rungs that are done. */
  readonly rungsDone: ReadonlySet<string>;
}

/** What is kept about the week of a student and the pieces in it; null where there is no such student. */
export async function sheetRows(db: StudioDatabase, studentId: string, zone: Zone): Promise<SheetRows | null> {
  const student = await db.students.get(studentId);
  if (!student) return null;
  const own = await db.events.where('[studentId+kind]').between([studentId, ''], [studentId, '\uffff']).toArray();
  const events = [...own, ...(await wordsAbout(db, own))];
  const assignment = currentAssignment(events);
  const ids = [...new Set(assignment?.items.flatMap((i) => i.pieceId ?? []) ?? [])];
  const standings = await db.standings.where('studentId').equals(studentId).toArray();
  return {
    student,
    assignment,
    lessonDays: foldLessons(events).map((l) => dayOf(l.at, zone)),
    pieces: (await db.pieces.bulkGet(ids)).filter((p): p is Piece => p !== undefined),
    places: await db.sections.where('pieceId').anyOf(ids).toArray(),
    ladders: await db.ladders.where('pieceId').anyOf(ids).toArray(),
    marks: await db.marks.where('pieceId').anyOf(ids).toArray(),
    settings: (await db.settings.get('studio')) ?? null,
    rungsDone: new Set(standings.flatMap((s) => s.rungsDone)),
  };
}
