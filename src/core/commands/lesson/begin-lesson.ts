import { fail, ok } from '../../result';
import { command } from '../command';
import { gone } from '../refusals';
import { inLesson, lessonRecords } from './the-lesson';

/** The clock of a lesson starts; where one is going on already, it goes on. */
export const beginLesson = command({
  asks: ({ studentId }: { readonly studentId: string }) => ({
    students: { ids: [studentId] },
    events: lessonRecords(studentId),
  }),
  run: (stored, _args, moment) => {
    const [student] = stored.students;
    if (!student) return gone('student');
    const there = inLesson(student, stored.events, null, moment);
    if (!there || there.begins.length === 0) return fail('lesson-goes-on', 'A lesson is going on already.');
    return ok({ label: 'lesson begun', records: there.begins, made: there.lessonId });
  },
});
