import { fail, ok } from '../../result';
import { dayOf, type Day, type PracticeEvent } from '../../studio';
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
  /** Of the repetitions, so many were right. */
  readonly right?: number;
  readonly tapped?: NonNullable<PracticeEvent['tapped']>;
  /** Id of the rung that was done with it: it is ticked. */
  readonly rungDone?: string;
  /** What it is known by where it may be handed over twice, as from two tabs: it is kept once. */
  readonly id?: string;
}

/** Minutes to the tenth: what was really played, though it was short. */
export const tenths = (minutes: number): number => Math.max(0.1, Math.round(minutes * 10) / 10);

/** What a student did at home, on the day it was done, and the rung that it finished. */
export const logPractice = command({
  asks: ({ studentId, pieceId, id }: LogPractice) => ({
    students: { ids: [studentId] },
    pieces: { ids: [pieceId] },
    events: { ids: id === undefined ? [] : [id] },
  }),
  run: (stored, log: LogPractice, { now, zone, newId }) => {
    const [student] = stored.students;
    if (!student) return gone('student');
    if (stored.pieces.length === 0) return gone('piece');
    if (log.day > dayOf(now, zone)) return fail('not-yet', 'This day is still to come.');
    if (!(log.minutes > 0)) return fail('no-minutes', 'Say how many minutes it was.');
    if (stored.events.length > 0) return fail('kept-already', 'This was kept already.');
    const { rung, right, tapped, rungDone, id = newId(), ...rest } = log;
    const { sectionId } = log;
    const ticks =
      rungDone !== undefined && sectionId !== null
        ? [
            {
              id: newId(),
              at: now,
              kind: 'rung' as const,
              studentId: student.id,
              pieceId: log.pieceId,
              sectionId,
              rungId: rungDone,
              done: true,
            },
          ]
        : [];
    return ok({
      label: `practice of ${student.name}`,
      records: [
        {
          ...rest,
          id,
          at: now,
          kind: 'practice',
          minutes: tenths(log.minutes),
          times: Math.round(log.times),
          ...(rung === undefined ? {} : { rung }),
          ...(right === undefined ? {} : { right: Math.min(Math.round(right), Math.round(log.times)) }),
          ...(tapped === undefined ? {} : { tapped }),
        },
        ...ticks,
      ],
      made: id,
    });
  },
});
