import { currentAssignment } from '@/core/mastery';
import type { AssignmentEvent, StudioEvent } from '@/core/studio';
import type { StudioDatabase } from './database';
import { wordsAbout } from './standings';

/** The weeks that a student was given, and which of them is in hand. */
export interface WeeksOfStudent {
  /** Every one, those that were taken back with them. */
  readonly given: readonly AssignmentEvent[];
  readonly inHand: AssignmentEvent | null;
}

/** The weeks of one student. */
export async function weeksOf(db: StudioDatabase, studentId: string): Promise<WeeksOfStudent> {
  const own: readonly StudioEvent[] = await db.events
    .where('[studentId+kind]')
    .equals([studentId, 'assignment'])
    .toArray();
  return {
    given: own.filter((e) => e.kind === 'assignment'),
    inHand: currentAssignment([...own, ...(await wordsAbout(db, own))]),
  };
}
