import { arrangeWay, changePlace, takeWay, type LadderSetting, type PlaceEdit, type WayEdit } from '@/core/commands';
import type { Piece, Student } from '@/core/studio';
import type { Way } from '@/core/way';
import type { Acts } from '@/features/acts';

/** Everything a teacher does to the way through a piece; each is one change that can be undone. */
export function wayActions(piece: Piece, student: Student | null, setting: LadderSetting, { run }: Acts) {
  const pieceId = piece.id;
  const { score } = setting;
  return {
    take: (way: Way): void => run(takeWay, { pieceId, score, student, steps: way.steps }),
    /** For the student who is looked at, else for everyone. */
    arrange: (edit: WayEdit, forAll = false): void =>
      run(arrangeWay, { pieceId, studentId: forAll ? null : (student?.id ?? null), edit }),
    change: (edit: PlaceEdit, stored: () => void = () => undefined): void =>
      run(changePlace, { ...setting, pieceId, edit }, { stored }),
  };
}

export type WayActions = ReturnType<typeof wayActions>;
