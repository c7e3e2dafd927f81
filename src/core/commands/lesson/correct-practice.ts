import { heldEvents } from '../../mastery';
import { fail, ok } from '../../result';
import { dayOf, type PracticeEvent } from '../../studio';
import { command, rowOf } from '../command';
import { gone } from '../refusals';
import { tenths } from './log-practice';

export interface CorrectPractice {
  readonly recordId: string;
  /** As it should have been; absent fields were right. */
  readonly correction: Partial<Pick<PracticeEvent, 'day' | 'minutes' | 'times' | 'right' | 'tempo' | 'note'>>;
}

/** What was practised was written down wrongly: a new record stands in for it, the old one is taken back. */
export const correctPractice = command({
  asks: ({ recordId }: CorrectPractice) => ({ events: { ids: [recordId] } }),
  run: (stored, { recordId, correction }: CorrectPractice, { now, zone, newId }) => {
    const wrong = rowOf(stored.events, recordId);
    if (!wrong || wrong.kind !== 'practice') return gone('record');
    if (!heldEvents(stored.events).some((e) => e.id === recordId))
      return fail('taken-back', 'This record was taken back meanwhile.');
    const { right, ...rest } = { ...wrong, ...correction };
    if (rest.day > dayOf(now, zone)) return fail('not-yet', 'This day is still to come.');
    if (!(rest.minutes > 0)) return fail('no-minutes', 'Say how many minutes it was.');
    const made = newId();
    return ok({
      label: 'practice corrected',
      records: [
        { id: newId(), at: now, kind: 'retract', target: wrong.id },
        {
          ...rest,
          id: made,
          at: now,
          minutes: tenths(rest.minutes),
          times: Math.round(rest.times),
          // Nothing can be right more often than it was played.
          ...(right === undefined || rest.times === 0 ? {} : { right: Math.min(right, Math.round(rest.times)) }),
        },
      ],
      made,
    });
  },
});
