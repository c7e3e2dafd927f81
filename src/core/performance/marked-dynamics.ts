import type { Score } from '../score';
import { isDynamicSign, type DynamicSign } from './loudness';

/** What a teacher has written of loudness; marks of other kinds say nothing of it. */
export interface LoudnessMark {
  readonly kind: string;
  readonly studentId?: string | null;
  readonly noteId?: string;
  readonly toNoteId?: string;
  readonly level?: string;
  readonly role?: string;
}

/**
 * Levels and hairpins of the page and of the teacher's marks, by onset: what a student is to play. Where a mark stands
 * at a printed level, the mark counts.
 *
 * @example markedDynamics(score, [{ kind: 'dynamic', noteId: score.notes[0].id, level: 'p' }]).length // → 1
 */
export function markedDynamics(score: Score, marks: readonly LoudnessMark[]): readonly DynamicSign[] {
  const notes = new Map(score.notes.map((n) => [n.id, n]));
  const own = marks.flatMap((mark): DynamicSign[] => {
    const note = notes.get(mark.noteId ?? '');
    if (!note) return [];
    const at = { part: note.part, staff: null, onset: note.onset };
    if (mark.kind === 'dynamic' && mark.level !== undefined) return [{ ...at, kind: 'dynamic', level: mark.level }];
    const to = notes.get(mark.toNoteId ?? '');
    if (mark.kind !== 'wedge' || !to || (mark.role !== 'crescendo' && mark.role !== 'diminuendo')) return [];
    return [
      { ...at, kind: 'wedge', role: mark.role },
      { ...at, kind: 'wedge', role: 'stop', onset: to.onset },
    ];
  });
  const taken = new Set(own.flatMap((d) => (d.kind === 'dynamic' ? [`${d.part} ${d.onset}`] : [])));
  const printed = score.directions
    .filter(isDynamicSign)
    .filter((d) => d.kind === 'wedge' || !taken.has(`${d.part} ${d.onset}`));
  return [...printed, ...own].sort((a, b) => a.onset - b.onset);
}
