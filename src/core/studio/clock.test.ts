import fc from 'fast-check';
import { expect, it } from 'vitest';
import { millisecondsOf, stampAfter, timeOfStamp } from './clock';

const time = fc.integer({ min: 0, max: 4_000_000_000_000 }).map((ms) => new Date(ms).toISOString());

it('a word is later than everything it answers, whatever the clock says', () => {
  fc.assert(
    fc.property(time, fc.array(time, { maxLength: 4 }), fc.integer({ min: 1, max: 30 }), (now, earlier, words) => {
      let stamps = earlier;
      for (let i = 0; i < words; i += 1) {
        const stamp = stampAfter(now, stamps);
        for (const e of stamps) expect(stamp > e).toBe(true);
        stamps = [...stamps, stamp];
      }
    }),
  );
});
it('the clock itself counts where it goes on', () => {
  expect(stampAfter('2026-05-20T15:00:00.000Z', ['2026-05-20T14:59:59.999Z+0007'])).toBe('2026-05-20T15:00:00.000Z');
  expect(stampAfter('2026-05-20T15:00:00.000Z', ['2026-05-20T15:00:00.000Z'])).toBe('2026-05-20T15:00:00.000Z+0001');
  expect(stampAfter('2020-01-01T00:00:00.000Z', ['2026-05-20T15:00:00.000Z+9999'])).toBe('2026-05-20T15:00:00.001Z');
});
it('a stamp is a time with a count', () => {
  expect(timeOfStamp('2026-05-20T15:00:00.000Z+0012')).toBe('2026-05-20T15:00:00.000Z');
  expect(millisecondsOf('2026-05-20T15:00:00.000Z+0012')).toBe(Date.parse('2026-05-20T15:00:00.000Z'));
  expect(millisecondsOf('never')).toBeNaN();
});
