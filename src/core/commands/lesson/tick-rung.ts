import { foldEvents, standingKey } from '../../mastery';
import { ok } from '../../result';
import { command } from '../command';
import { gone } from '../refusals';
import { inLesson } from './the-lesson';

export interface TickRung {
  readonly studentId: string;
  readonly sectionId: string;
  readonly rungId: string;
  /** Ticked in a lesson, it belongs to it. */
  readonly inLesson: boolean;
}

/** Ticks a rung off, or takes the tick away where it stands. */
export const tickRung = command({
  asks: ({ studentId, sectionId }: TickRung) => ({
    students: { ids: [studentId] },
    sections: { ids: [sectionId] },
    events: { studentId, kinds: ['lesson', 'lesson-joined', 'rung'] },
  }),
  run: (stored, args: TickRung, moment) => {
    const [student] = stored.students;
    const [section] = stored.sections;
    if (!student) return gone('student');
    if (!section) return gone('section');
    const done =
      foldEvents(stored.events).rungsDone.get(standingKey(student.id, section.id))?.ids.has(args.rungId) ?? false;
    const lesson = args.inLesson ? inLesson(student, stored.events, null, moment) : null;
    return ok({
      label: done ? 'tick taken away' : 'rung ticked',
      records: [
        ...(lesson?.begins ?? []),
        {
          id: moment.newId(),
          at: moment.now,
          kind: 'rung',
          studentId: student.id,
          pieceId: section.pieceId,
          sectionId: section.id,
          rungId: args.rungId,
          done: !done,
          ...(lesson ? { lessonId: lesson.lessonId } : {}),
        },
      ],
    });
  },
});
