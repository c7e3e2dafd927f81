import { fail, ok } from '../../result';
import type { Facet, Level } from '../../studio';
import { HIGHEST, kindOf } from '../../way';
import { command } from '../command';
import { gone } from '../refusals';
import { inLesson, lessonRecords } from './the-lesson';

/** What was heard of one section. */
export interface HeardNow {
  /** The teacher's word; null takes what the facets come to. */
  readonly level: Level | null;
  readonly proposed: Level | null;
  readonly tempo: number | null;
  readonly note: string;
  /** What was listened for; null when nothing was. */
  readonly facets: Readonly<Partial<Record<Facet, boolean>>> | null;
  readonly errors: readonly number[];
  readonly signs: Readonly<Record<string, boolean>>;
}

/** Nothing but a level was set. */
export const ONLY_A_LEVEL = {
  proposed: null,
  tempo: null,
  note: '',
  facets: null,
  errors: [],
  signs: {},
} as const satisfies Omit<HeardNow, 'level'>;

export interface RecordLevel extends HeardNow {
  readonly studentId: string;
  readonly sectionId: string;
  /** The lesson it was in; null for the one going on, or a new one. */
  readonly lessonId: string | null;
  /** Set on the board, outside a lesson. */
  readonly outside?: boolean;
}

/**
 * Records what was heard. Without a level of the teacher's and without anything that was listened for, nothing was
 * heard.
 */
export const recordLevel = command({
  asks: ({ studentId, sectionId }: RecordLevel) => ({
    students: { ids: [studentId] },
    sections: { ids: [sectionId] },
    events: lessonRecords(studentId),
  }),
  run: (stored, heard: RecordLevel, moment) => {
    const [student] = stored.students;
    const [section] = stored.sections;
    if (!student) return gone('student');
    if (!section) return gone('section');
    const level = heard.level ?? (heard.facets === null ? null : heard.proposed);
    if (level === null)
      return fail(
        'nothing-heard',
        'Nothing was heard yet: press a digit for the level, or tick what you hear, then record.',
      );
    const highest = HIGHEST[kindOf(section)];
    if (level > highest)
      return fail(
        'chunk-level',
        `${section.name} goes up to ${highest}: at tempo and secure are heard of the whole section.`,
      );
    const lesson = heard.outside === true ? null : inLesson(student, stored.events, heard.lessonId, moment);
    if (lesson === null && heard.outside !== true) return gone('lesson');
    return ok({
      label: `${student.name}, ${section.letter || section.name}: level ${level}`,
      records: [
        ...(lesson?.begins ?? []),
        {
          id: moment.newId(),
          at: lesson?.at ?? moment.now,
          kind: 'level',
          studentId: student.id,
          pieceId: section.pieceId,
          sectionId: section.id,
          level,
          proposed: heard.proposed,
          tempo: heard.tempo,
          note: heard.note.trim(),
          ...(heard.facets === null ? {} : { facets: { ...heard.facets } }),
          ...(heard.errors.length > 0 ? { errors: [...heard.errors] } : {}),
          ...(Object.keys(heard.signs).length > 0 ? { signs: { ...heard.signs } } : {}),
          ...(lesson ? { lessonId: lesson.lessonId } : {}),
        },
      ],
    });
  },
});
