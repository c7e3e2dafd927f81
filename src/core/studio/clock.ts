/**
 * A stamp says when a word was given: a time in UTC, and behind it a count where the clock alone would not put it after
 * the word it answers. Stamps are compared as texts.
 */
export type Stamp = string;

/** Characters of an ISO time with milliseconds: `2026-05-20T15:00:00.000Z`. */
const TIME_LENGTH = 24;

/**
 * The time of a stamp, without its count. `timeOfStamp('2026-05-20T15:00:00.000Z+0001')` is
 * `'2026-05-20T15:00:00.000Z'`.
 */
export const timeOfStamp = (stamp: Stamp): string => stamp.slice(0, TIME_LENGTH);

/**
 * Milliseconds since 1970 of a time or a stamp; NaN for a text that is neither.
 *
 * @example millisecondsOf('1970-01-01T00:00:01.000Z+0001') // → 1000
 */
export const millisecondsOf = (stamp: Stamp): number => Date.parse(timeOfStamp(stamp));

const counted = (time: string, count: number): Stamp =>
  count === 0 ? time : `${time}+${String(count).padStart(4, '0')}`;
const countOf = (stamp: Stamp): number => Number(stamp.slice(TIME_LENGTH + 1)) || 0;

/**
 * The stamp of a word given at `now` that answers earlier ones: `now` itself, or just behind the latest of them when
 * the clock was set back meanwhile. A later word therefore always has the larger stamp.
 *
 * @example stampAfter('2026-05-20T15:00:00.000Z', ['2026-05-21T09:00:00.000Z']) // → '2026-05-21T09:00:00.000Z+0001'
 * @example stampAfter('2026-05-20T15:00:00.000Z', []) // → '2026-05-20T15:00:00.000Z'
 */
export function stampAfter(now: string, earlier: readonly Stamp[]): Stamp {
  const latest = earlier.reduce((a, b) => (a > b ? a : b), '');
  if (now > latest) return now;
  const count = countOf(latest) + 1;
  // Ten thousand words in one millisecond: the next millisecond begins.
  if (count > 9999) return new Date(millisecondsOf(latest) + 1).toISOString();
  return counted(timeOfStamp(latest), count);
}
