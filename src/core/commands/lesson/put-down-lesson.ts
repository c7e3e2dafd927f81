import { USUAL_LESSON_MINUTES } from '../../mastery';
import { fail, ok } from '../../result';
import { dayOf, timeOn, type Day } from '../../studio';
import { command } from '../command';
import { gone } from '../refusals';

export interface PutDownLesson {
  readonly studentId: string;
  /** The day it was on, where the studio is, and when it began: `16:00`. */
  readonly day: Day;
  readonly clock: string;
  readonly minutes: number | null;
  readonly missed: boolean;
}

const CLOCK_LENGTH = 5;

/** Puts down a lesson that was, or one that was missed. */
export const putDownLesson = command({
  asks: ({ studentId }: PutDownLesson) => ({ students: { ids: [studentId] } }),
  run: (stored, { day, clock, minutes, missed }: PutDownLesson, { now, zone, newId }) => {
    const [student] = stored.students;
    if (!student) return gone('student');
    if (day > dayOf(now, zone)) return fail('not-yet', 'This day is still to come. A lesson is put down once it was.');
    if (clock.length !== CLOCK_LENGTH || Number.isNaN(Date.parse(`${day}T${clock}:00Z`)))
      return fail('no-time', 'Say when it began, as 16:00.');
    const at = timeOn(day, clock, zone);
    if (at > now) return fail('not-yet', 'This time is still to come. A lesson is put down once it was.');
    const id = newId();
    return ok({
      label: missed ? 'missed lesson put down' : 'lesson put down',
      records: [
        {
          id,
          at,
          kind: 'lesson',
          studentId: student.id,
          minutes: minutes ?? student.lessonMinutes ?? USUAL_LESSON_MINUTES,
          ...(missed ? { missed: true } : {}),
        },
      ],
      made: id,
    });
  },
});
