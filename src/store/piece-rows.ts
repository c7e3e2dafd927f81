import type { Mark, Piece, Section, Settings, Student } from '@/core/studio';
import type { StudioDatabase } from './database';

/** A piece and everything that stands at it, for one student or for everyone. */
export interface PieceRows {
  readonly piece: Piece;
  readonly student: Student | null;
  readonly sections: readonly Section[];
  readonly marks: readonly Mark[];
  readonly settings: Settings | null;
}

/** What is kept about a piece; null where there is no such piece. */
export async function pieceRows(
  db: StudioDatabase,
  pieceId: string,
  studentId: string | null,
): Promise<PieceRows | null> {
  const piece = await db.pieces.get(pieceId);
  if (!piece) return null;
  return {
    piece,
    student: studentId === null ? null : ((await db.students.get(studentId)) ?? null),
    sections: await db.sections.where('pieceId').equals(pieceId).toArray(),
    marks: await db.marks.where('pieceId').equals(pieceId).toArray(),
    settings: (await db.settings.get('studio')) ?? null,
  };
}
