import { ok } from '../../result';
import { command } from '../command';
import { gone } from '../refusals';
import { inLesson, lessonRecords } from './the-lesson';

export interface SayInLesson {
  readonly studentId: string;
  /** The lesson it is about; null for the one going on. */
  readonly lessonId: string | null;
  readonly text: string;
}

/** What was said in a lesson; it stands in for what was put down before. */
export const sayInLesson = command({
  asks: ({ studentId }: SayInLesson) => ({ students: { ids: [studentId] }, events: lessonRecords(studentId) }),
  run: (stored, { lessonId, text }: SayInLesson, moment) => {
    const [student] = stored.students;
    if (!student) return gone('student');
    const lesson = inLesson(student, stored.events, lessonId, moment);
    if (!lesson) return gone('lesson');
    // A later word about a lesson that was counts because it is later, not because of when the lesson was.
    return ok({
      label: 'what was said',
      records: [
        ...lesson.begins,
        {
          id: moment.newId(),
          at: moment.now,
          kind: 'said',
          studentId: student.id,
          lessonId: lesson.lessonId,
          text: text.trim(),
        },
      ],
    });
  },
});
