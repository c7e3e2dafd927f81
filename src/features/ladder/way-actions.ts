import { arrangeWay, changePlace, takeWay, type PlaceEdit, type WayEdit } from '@/core/commands';
import type { Score } from '@/core/score';
import type { Piece, Student } from '@/core/studio';
import type { Way } from '@/core/way';
import type { Acts } from '@/features/acts';

/** Everything a teacher does to the way through a piece; each is one change that can be undone. */
export function wayActions(piece: Piece, score: Score, student: Student | null, { run }: Acts) {
  const pieceId = piece.id;
  return {
    take: (way: Way): void => run(takeWay, { pieceId, score, student, steps: way.steps }),
    /** For the student who is looked at, else for everyone. */
    arrange: (edit: WayEdit, forAll = false): void =>
      run(arrangeWay, { pieceId, studentId: forAll ? null : (student?.id ?? null), edit }),
    change: (edit: PlaceEdit): void => run(changePlace, { pieceId, score, student, edit }),
  };
}

export type WayActions = ReturnType<typeof wayActions>;
