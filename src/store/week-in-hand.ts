import { currentAssignment } from '@/core/mastery';
import type { AssignmentEvent } from '@/core/studio';
import type { StudioDatabase } from './database';
import { recordsOfStudent } from './find-records';

/** The weeks that a student was given, and which of them is in hand. */
export interface WeeksOfStudent {
  /** Every one, those that were taken back with them. */
  readonly given: readonly AssignmentEvent[];
  readonly inHand: AssignmentEvent | null;
}

/** The weeks of one student. */
export async function weeksOf(db: StudioDatabase, studentId: string): Promise<WeeksOfStudent> {
  const own = await recordsOfStudent(db, studentId, ['assignment']);
  return {
    given: own.filter((e) => e.kind === 'assignment'),
    inHand: currentAssignment(own),
  };
}
