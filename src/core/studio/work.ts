import type { Piece, Student } from './schemas';

/**
 * Whether a piece is technique: an exercise, or a study. It comes first in every practice.
 *
 * @example isTechnique({ study: true }) // → true
 */
export const isTechnique = (piece: Pick<Piece, 'exercise' | 'study'>): boolean =>
  piece.exercise !== undefined || piece.study === true;

/**
 * The pieces a student works on: those put down for the student, in that order; else those the student was heard on or
 * given before, in the order of their titles. What is archived is in nobody's work.
 *
 * @example
 * piecesInWork(student('s', { pieceIds: ['b'] }), [piece({ id: 'a' }), piece({ id: 'b' })],
 *   new Set()).map((p) => p.id) // → ['b']
 */
export function piecesInWork(student: Student, pieces: readonly Piece[], met: ReadonlySet<string>): Piece[] {
  const there = pieces.filter((p) => p.archived !== true);
  if (student.pieceIds !== undefined)
    return student.pieceIds.flatMap((id) => {
      const piece = there.find((p) => p.id === id);
      return piece ? [piece] : [];
    });
  return there.filter((p) => met.has(p.id));
}
