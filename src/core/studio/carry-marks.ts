import { compareRanges } from '../sameness';
import type { Score } from '../score';
import type { Mark, NoteMark } from './schemas';

/**
 * The marks of bars `model` as they would stand on bars `copy` (both ends included): only on notes that have a partner there, never
 * where a mark of the same kind stands already. A student's own layer stays where it is. No partners give none.
 */
export function carryMarks(
  score: Score,
  marks: readonly Mark[],
  model: readonly [number, number],
  copy: readonly [number, number],
  newId: () => string,
  at: string,
): NoteMark[] {
  const { pairs } = compareRanges(score, model, copy);
  const there = new Set(marks.flatMap((m) => ('noteId' in m ? [`${m.kind} ${m.noteId}`] : [])));
  return marks.flatMap((m): NoteMark[] => {
    if (!('noteId' in m) || m.studentId !== null) return [];
    const noteId = pairs.get(m.noteId);
    if (noteId === undefined || there.has(`${m.kind} ${noteId}`)) return [];
    if (m.kind !== 'wedge') return [{ ...m, id: newId(), noteId, updatedAt: at }];
    const toNoteId = pairs.get(m.toNoteId);
    return toNoteId === undefined ? [] : [{ ...m, id: newId(), noteId, toNoteId, updatedAt: at }];
  });
}
