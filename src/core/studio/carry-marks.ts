import { compareRanges } from '../sameness';
import type { Score } from '../score';
import { carriedMark, type Mark } from './kinds/marks';

/**
 * The marks of bars `model` as they would stand on bars `copy` (both ends included): only on notes that have a partner
 * there, never where a mark of the same kind stands already. A student's own layer stays where it is. No partners give
 * none.
 *
 * @example
 * carryMarks(score, [finger(score.notes[0].id, '3')], [0, 3], [4, 7]).map((m) => m.noteId === score.notes[13].id)
 * // → [true]
 */
export function carryMarks(
  score: Score,
  marks: readonly Mark[],
  model: readonly [number, number],
  copy: readonly [number, number],
): Mark[] {
  const { pairs } = compareRanges(score, model, copy);
  const there = new Set(marks.map((m) => m.id));
  return marks.flatMap((m): Mark[] => {
    const carried = m.studentId === null ? carriedMark(m, (id) => pairs.get(id)) : null;
    return carried === null || there.has(carried.id) ? [] : [carried];
  });
}
