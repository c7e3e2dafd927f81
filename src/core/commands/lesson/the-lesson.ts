import { foldLessons, lessonGoingOn, USUAL_LESSON_MINUTES, type Lesson } from '../../mastery';
import type { LessonEvent, Student, StudioEvent } from '../../studio';
import type { EventAsk, Moment } from '../command';

/** The records that tell which lesson is going on. */
export const lessonRecords = (studentId: string): EventAsk => ({ studentId, kinds: ['lesson', 'lesson-joined'] });

/** The lesson of a student that something belongs to, and its beginning where it has none yet. */
export interface InLesson {
  readonly lessonId: string;
  /** When it counts as having happened: now, or in a lesson that was, when that was. */
  readonly at: string;
  readonly begins: readonly LessonEvent[];
}

/** A lesson beginning now. */
export const beginningOf = (student: Student, { now, newId }: Moment): LessonEvent => ({
  id: newId(),
  at: now,
  kind: 'lesson',
  studentId: student.id,
  minutes: student.lessonMinutes ?? USUAL_LESSON_MINUTES,
});

/**
 * The lesson that a record belongs to: the one named, else the one going on by what is stored now, else a new one that
 * begins with it. Two tabs that record at once therefore record in one lesson. Null where the named one is not there.
 */
export function inLesson(
  student: Student,
  events: readonly StudioEvent[],
  about: string | null,
  moment: Moment,
): InLesson | null {
  const lessons: readonly Lesson[] = foldLessons(events);
  if (about !== null) {
    const named = lessons.find((l) => l.id === about);
    if (!named) return null;
    const goesOn = lessonGoingOn(lessons, moment.now)?.id === named.id;
    return { lessonId: named.id, at: goesOn ? moment.now : named.at, begins: [] };
  }
  const current = lessonGoingOn(lessons, moment.now);
  if (current) return { lessonId: current.id, at: moment.now, begins: [] };
  const lesson = beginningOf(student, moment);
  return { lessonId: lesson.id, at: moment.now, begins: [lesson] };
}
