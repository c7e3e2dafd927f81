import { weekKey } from '@/core/sheet';
import type { Student } from '@/core/studio';
import type { StudioDatabase } from './database';
import { weeksOf } from './week-in-hand';

/** A week that was given here, by what it is known by at home. */
export interface FoundWeek {
  readonly student: Student;
  /** Pieces of the week in hand, which may be another, and their ladders. */
  readonly pieceIds: readonly string[];
  readonly ladderIds: readonly string[];
}

/** Whose week it is that has come back; null where no such week was given here. */
export async function whoseWeek(db: StudioDatabase, week: number): Promise<FoundWeek | null> {
  for (const student of await db.students.toArray()) {
    const { given, inHand } = await weeksOf(db, student.id);
    if (!given.some((e) => weekKey(e) === week)) continue;
    const pieceIds = [...new Set(inHand?.items.flatMap((i) => i.pieceId ?? []) ?? [])];
    const ladders = await db.ladders.where('pieceId').anyOf(pieceIds).toArray();
    return {
      student,
      pieceIds,
      ladderIds: ladders.map((l) => l.id),
    };
  }
  return null;
}
