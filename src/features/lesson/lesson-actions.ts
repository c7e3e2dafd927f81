import type { FoldedStanding, LevelEvent } from '@/core/mastery';
import type { Assigned, Level, StudioEvent } from '@/core/studio';
import { eventAdded, type ChangeEntry, type StudioAccess } from '@/store';
import type { Draft } from './draft';
import { USUAL_LESSON_MINUTES, type LessonModel } from './use-lesson';

export interface GivenWeek {
  readonly items: readonly Assigned[];
  readonly leftOut: readonly { readonly what: string; readonly minutes: number }[];
  readonly cue: string;
  readonly minutesAvailable: number;
}

/** What happens in a lesson; everything is a record that carries the lesson's id. The first one begins the lesson. */
export function lessonActions(model: LessonModel, studio: StudioAccess, begun: { current: string | null }) {
  const { student } = model;
  const stamp = (): { readonly id: string; readonly at: string } => ({ id: studio.newId(), at: studio.now() });
  const minutes = student.lessonMinutes ?? USUAL_LESSON_MINUTES;
  /** The lesson's id, and its beginning where there is none yet. The next key may come before the first record is stored. */
  const inLesson = (): { readonly lessonId: string; readonly entries: readonly ChangeEntry[] } => {
    const justBegun = begun.current !== null && !model.events.some((e) => e.id === begun.current) ? begun.current : null;
    const lessonId = model.current?.id ?? justBegun;
    if (lessonId !== null) return { lessonId, entries: [] };
    const lesson: StudioEvent = { ...stamp(), kind: 'lesson', studentId: student.id, minutes };
    begun.current = lesson.id;
    return { lessonId: lesson.id, entries: [eventAdded(lesson)] };
  };
  return {
    record: (
      section: { readonly id: string; readonly pieceId: string; readonly letter: string },
      draft: Draft,
      level: Level,
      proposed: Level | null,
    ): Promise<void> => {
      const { lessonId, entries } = inLesson();
      return studio.commit(`${student.name}, ${section.letter}: level ${level}`, [
        ...entries,
        eventAdded({
          ...stamp(),
          kind: 'level',
          studentId: student.id,
          pieceId: section.pieceId,
          sectionId: section.id,
          level,
          proposed,
          tempo: draft.tempo,
          note: draft.note.trim(),
          ...(draft.touched ? { facets: { ...draft.facets } } : {}),
          ...(draft.errors.length > 0 ? { errors: [...draft.errors] } : {}),
          ...(Object.keys(draft.signs).length > 0 ? { signs: { ...draft.signs } } : {}),
          lessonId,
        }),
      ]);
    },
    tick: (section: { readonly id: string; readonly pieceId: string }, rungId: string, standing: FoldedStanding | undefined): Promise<void> => {
      const { lessonId, entries } = inLesson();
      return studio.commit('rung ticked', [
        ...entries,
        eventAdded({
          ...stamp(),
          kind: 'rung',
          studentId: student.id,
          pieceId: section.pieceId,
          sectionId: section.id,
          rungId,
          done: !(standing?.rungsDone.includes(rungId) ?? false),
          lessonId,
        }),
      ]);
    },
    begin: (): Promise<void> => studio.commit('lesson begun', inLesson().entries),
    say: (text: string, about?: string): Promise<void> => {
      const { lessonId, entries } = about === undefined ? inLesson() : { lessonId: about, entries: [] };
      return studio.commit('what was said', [...entries, eventAdded({ ...stamp(), kind: 'said', studentId: student.id, lessonId, text })]);
    },
    give: (label: string, week: GivenWeek): Promise<void> => {
      const { lessonId, entries } = inLesson();
      return studio.commit(label, [
        ...entries,
        eventAdded({
          ...stamp(),
          kind: 'assignment',
          studentId: student.id,
          lessonId,
          items: [...week.items],
          leftOut: [...week.leftOut],
          cue: week.cue,
          minutesAvailable: week.minutesAvailable,
        }),
      ]);
    },
    /** A record of an earlier lesson was wrong: a new one stands in for it, at its time. */
    correct: (wrong: LevelEvent, level: Level): Promise<void> =>
      studio.commit('record corrected', [eventAdded({ ...wrong, ...stamp(), level, proposed: wrong.proposed, corrects: wrong.id })]),
    /** Everything of the lesson going on is taken back, in one change. */
    takeBack: (): Promise<void> => {
      const lesson = model.current;
      if (!lesson) return Promise.resolve();
      const mine = model.events.filter((e) => e.id === lesson.id || ('lessonId' in e && e.lessonId === lesson.id));
      begun.current = null;
      return studio.commit(
        'whole lesson taken back',
        mine.map((e) => eventAdded({ ...stamp(), kind: 'retract', target: e.id })),
      );
    },
  };
}

export type LessonActions = ReturnType<typeof lessonActions>;
