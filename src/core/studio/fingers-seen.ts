import { FULL_FINGERING, type FingerMark } from './kinds/marks/finger';
import type { Mark } from './kinds/marks';

/**
 * The teacher's fingers of the variant that a student sees, by note id; those of the full fingering where the variant
 * was not written yet.
 *
 * @example fingersSeen([], 'easy').size // → 0
 */
export function fingersSeen(marks: readonly Mark[], variant: string): ReadonlyMap<string, FingerMark> {
  const of = (wanted: string) =>
    marks.flatMap((m): (readonly [string, FingerMark])[] =>
      m.kind === 'finger' && m.studentId === null && (m.variant ?? FULL_FINGERING) === wanted ? [[m.noteId, m]] : [],
    );
  const own = of(variant);
  return new Map(own.length > 0 ? own : of(FULL_FINGERING));
}
