import { heldEvents } from '../../mastery';
import { fail, ok } from '../../result';
import type { LevelEvent } from '../../studio';
import { command, rowOf } from '../command';
import { gone } from '../refusals';

/** What a record said wrongly, as it should have been; absent fields were right. */
export type Correction = Partial<Pick<LevelEvent, 'level' | 'tempo' | 'note' | 'facets' | 'studentId' | 'sectionId'>>;

export interface CorrectRecord {
  readonly recordId: string;
  readonly correction: Correction;
}

/** A record was wrong: a new one stands in for it, at its time. The old one stays underneath. */
export const correctRecord = command({
  asks: ({ recordId, correction }: CorrectRecord) => ({
    events: { ids: [recordId] },
    sections: { ids: correction.sectionId === undefined ? [] : [correction.sectionId] },
    students: { ids: correction.studentId === undefined ? [] : [correction.studentId] },
  }),
  run: (stored, { recordId, correction }: CorrectRecord, { now, newId }) => {
    const wrong = rowOf(stored.events, recordId);
    if (!wrong || wrong.kind !== 'level') return gone('record');
    if (!heldEvents(stored.events).some((e) => e.id === recordId))
      return fail('taken-back', 'This record was taken back meanwhile.');
    const section = correction.sectionId === undefined ? null : stored.sections[0];
    if (section === undefined) return gone('section');
    if (correction.studentId !== undefined && stored.students.length === 0) return gone('student');
    // A record that goes to another student is no part of this student's lesson.
    const elsewhere = correction.studentId !== undefined && correction.studentId !== wrong.studentId;
    const { lessonId, ...rest } = wrong;
    const right: LevelEvent = {
      ...rest,
      ...(lessonId === undefined || elsewhere ? {} : { lessonId }),
      ...correction,
      ...(section ? { pieceId: section.pieceId } : {}),
      id: newId(),
      at: now,
      corrects: wrong.id,
    };
    return ok({ label: 'record corrected', records: [right], made: right.id });
  },
});
