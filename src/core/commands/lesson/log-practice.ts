import { fail, ok } from '../../result';
import { dayOf, type Day } from '../../studio';
import { command } from '../command';
import { gone } from '../refusals';

export interface LogPractice {
  readonly studentId: string;
  readonly pieceId: string;
  readonly sectionId: string | null;
  /** The day it was done, where the studio is. */
  readonly day: Day;
  readonly minutes: number;
  /** Repetitions; 0 where nobody counted. */
  readonly times: number;
  readonly tempo: number | null;
  readonly rung?: string;
  readonly note: string;
}

/** What a student did at home, on the day it was done. */
export const logPractice = command({
  asks: ({ studentId, pieceId }: LogPractice) => ({ students: { ids: [studentId] }, pieces: { ids: [pieceId] } }),
  run: (stored, log: LogPractice, { now, zone, newId }) => {
    const [student] = stored.students;
    if (!student) return gone('student');
    if (stored.pieces.length === 0) return gone('piece');
    if (log.day > dayOf(now, zone)) return fail('not-yet', 'This day is still to come.');
    if (!(log.minutes > 0)) return fail('no-minutes', 'Say how many minutes it was.');
    const id = newId();
    const { rung, ...rest } = log;
    return ok({
      label: `practice of ${student.name}`,
      records: [
        {
          ...rest,
          id,
          at: now,
          kind: 'practice',
          minutes: Math.round(log.minutes),
          times: Math.round(log.times),
          ...(rung === undefined ? {} : { rung }),
        },
      ],
      made: id,
    });
  },
});
