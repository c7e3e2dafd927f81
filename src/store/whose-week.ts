import { currentAssignment } from '@/core/mastery';
import { weekKey } from '@/core/sheet';
import type { AssignmentEvent, Student } from '@/core/studio';
import type { StudioDatabase } from './database';
import { wordsAbout } from './standings';

/** A week that was given here, by what it is known by at home. */
export interface FoundWeek {
  readonly student: Student;
  readonly assignment: AssignmentEvent;
  /** It is the week in hand. */
  readonly isCurrent: boolean;
  /** Pieces of its tasks, and their ladders. */
  readonly pieceIds: readonly string[];
  readonly ladderIds: readonly string[];
}

/** Whose week it is that has come back; null where no such week was given here. */
export async function whoseWeek(db: StudioDatabase, week: number): Promise<FoundWeek | null> {
  for (const student of await db.students.toArray()) {
    const own = await db.events.where('[studentId+kind]').equals([student.id, 'assignment']).toArray();
    const assignment = own.find((e) => e.kind === 'assignment' && weekKey(e) === week);
    if (assignment?.kind !== 'assignment') continue;
    const current = currentAssignment([...own, ...(await wordsAbout(db, own))]);
    const pieceIds = [...new Set(current?.items.flatMap((i) => i.pieceId ?? []) ?? [])];
    const ladders = await db.ladders.where('pieceId').anyOf(pieceIds).toArray();
    return {
      student,
      assignment,
      isCurrent: current !== null && weekKey(current) === week,
      pieceIds,
      ladderIds: ladders.map((l) => l.id),
    };
  }
  return null;
}
