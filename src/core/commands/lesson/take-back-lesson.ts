import { foldLessons, heldEvents } from '../../mastery';
import { ok } from '../../result';
import { command } from '../command';
import { gone } from '../refusals';

export interface TakeBackLesson {
  readonly studentId: string;
  readonly lessonId: string;
}

/** Everything of a lesson is taken back, in one step; the lessons joined to it, too. */
export const takeBackLesson = command({
  asks: ({ studentId }: TakeBackLesson) => ({
    events: { studentId, kinds: ['lesson', 'lesson-joined', 'level', 'rung', 'said', 'assignment'] },
  }),
  run: (stored, { lessonId }: TakeBackLesson, { now, newId }) => {
    const held = heldEvents(stored.events);
    if (!foldLessons(stored.events).some((l) => l.id === lessonId)) return gone('lesson');
    const ids = new Set([
      lessonId,
      ...held.flatMap((e) => (e.kind === 'lesson-joined' && e.into === lessonId ? [e.lessonId] : [])),
    ]);
    const mine = held.filter(
      (e) => ids.has(e.id) || ('lessonId' in e && typeof e.lessonId === 'string' && ids.has(e.lessonId)),
    );
    return ok({
      label: 'whole lesson taken back',
      records: mine.map((e) => ({ id: newId(), at: now, kind: 'retract', target: e.id })),
    });
  },
});
