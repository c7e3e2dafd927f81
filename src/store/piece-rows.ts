import type { PieceStudio } from '@/core/sheet';
import type { StudioDatabase } from './database';

/** What is kept about a piece; null where there is no such piece. */
export async function pieceRows(
  db: StudioDatabase,
  pieceId: string,
  studentId: string | null,
): Promise<PieceStudio | null> {
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
