import { dayOf, type Day, type Student, type Zone } from '@/core/studio';
import type { StudioDatabase } from './database';
import { weeksOf } from './week-in-hand';

/** A student who is taught, and when the week in hand was given; null where none was. */
export interface GivenWeek {
  readonly student: Student;
  readonly given: Day | null;
}

/** The weeks in hand of all who are taught, in the teacher's order. */
export async function givenWeeks(db: StudioDatabase, zone: Zone): Promise<readonly GivenWeek[]> {
  const weeks: GivenWeek[] = [];
  for (const student of await db.students.orderBy('order').toArray()) {
    if (student.archived === true) continue;
    const { inHand } = await weeksOf(db, student.id);
    weeks.push({ student, given: inHand ? dayOf(inHand.at, zone) : null });
  }
  return weeks;
}
