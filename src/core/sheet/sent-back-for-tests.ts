import fc from 'fast-check';
import { dayAfter } from '../studio';
import { MOST_AT_HOME } from './most-at-home';
import type { DoneAtHome, SentBack } from './sent-back';

/** Whatever can be done at home in a week of so many tasks. */
export const anythingSent = (mostTasks: number, mostDays: number): fc.Arbitrary<SentBack> =>
  fc
    .record({
      week: fc.nat(0xffffffff),
      device: fc.nat(0xffff),
      start: fc.nat(2000),
      tasks: fc.uniqueArray(fc.nat(0xffff), { minLength: 1, maxLength: mostTasks, size: 'max' }),
      note: fc.string({ maxLength: 80 }),
    })
    .chain(({ week, device, start, tasks, note }) => {
      const from = dayAfter('2026-01-01', start);
      const one: fc.Arbitrary<DoneAtHome> = fc
        .record({
          task: fc.constantFrom(...tasks),
          at: fc.nat(mostDays - 1),
          minutes: fc.nat(MOST_AT_HOME.minutes),
          times: fc.oneof(fc.nat(9), fc.nat(MOST_AT_HOME.times)),
          right: fc.oneof(fc.nat(9), fc.nat(MOST_AT_HOME.times)),
          row: fc.oneof(fc.nat(5), fc.nat(MOST_AT_HOME.times)),
          tempo: fc.option(fc.integer({ min: 1, max: MOST_AT_HOME.tempo })),
          ticks: fc.nat(MOST_AT_HOME.ticks),
          steps: fc.nat(MOST_AT_HOME.steps),
        })
        .map(({ at, ...rest }) => ({ ...rest, day: dayAfter(from, at) }));
      return fc
        .array(one, { maxLength: Math.ceil(1.5 * mostTasks * mostDays), size: 'max' })
        .map((done) => ({ week, device, from, done, note }));
    });
