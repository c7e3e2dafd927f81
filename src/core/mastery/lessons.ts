import type { StudioEvent } from '../studio';
import { heldEvents, type AssignmentEvent, type LessonEvent, type LevelEvent, type PracticeEvent } from './fold-events';

/** A lesson as it was: what was heard, said and assigned. */
export interface Lesson {
  readonly id: string;
  readonly at: string;
  readonly minutes: number;
  readonly said: string;
  readonly heard: readonly LevelEvent[];
  readonly assignment: AssignmentEvent | null;
}

/**
 * Lessons of one student, latest first, from all events about that student. What was said last about a lesson counts; a correction
 * stands in for what it corrects; the last assignment of a lesson is the one that counts.
 */
export function foldLessons(events: readonly StudioEvent[]): Lesson[] {
  const held = heldEvents(events);
  const gone = new Set(held.flatMap((e) => (e.kind === 'level' && e.corrects !== undefined ? [e.corrects] : [])));
  const of = <K extends StudioEvent['kind']>(kind: K) => held.flatMap((e) => (e.kind === kind ? [e as Extract<StudioEvent, { kind: K }>] : []));
  return of('lesson')
    .map((lesson: LessonEvent): Lesson => ({
      id: lesson.id,
      at: lesson.at,
      minutes: lesson.minutes,
      said:
        of('said')
          .filter((s) => s.lessonId === lesson.id)
          .pop()?.text ?? '',
      heard: of('level').filter((e) => e.lessonId === lesson.id && !gone.has(e.id)),
      assignment:
        of('assignment')
          .filter((a) => a.lessonId === lesson.id)
          .pop() ?? null,
    }))
    .reverse();
}

/** The assignment in force: the latest of a student's. */
export const currentAssignment = (events: readonly StudioEvent[]): AssignmentEvent | null =>
  heldEvents(events)
    .flatMap((e) => (e.kind === 'assignment' ? [e] : []))
    .pop() ?? null;

export const practiceOf = (events: readonly StudioEvent[]): PracticeEvent[] => heldEvents(events).flatMap((e) => (e.kind === 'practice' ? [e] : []));
