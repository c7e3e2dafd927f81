import type { StudentLevel } from '../ladder';
import type { Hand } from '../studio';
import type { WayKind } from './way';

/** Minutes a week where nothing is known of the student: five days of a quarter of an hour. Chosen by us. */
export const USUAL_MINUTES_A_WEEK = 75;

/** New chunks a week, by level: a beginner's week holds two at most **[common practice]**. */
export const NEW_CHUNKS_A_WEEK: Readonly<Record<StudentLevel, number>> = { beginner: 2, intermediate: 4, advanced: 6 };

/** What of a place says whether it brings something new. */
export interface Bringing {
  readonly kind: WayKind;
  readonly from: number;
  readonly to: number;
  readonly hand: Hand;
  readonly isCopy: boolean;
}

/**
 * Which places of a way bring bars that were not met before them; joins, copies and what is put together from known
 * chunks do not.
 *
 * @example
 * bringNewBars([{ kind: 'chunk', from: 0, to: 1, hand: 'all', isCopy: false },
 *   { kind: 'phrase', from: 0, to: 1, hand: 'all', isCopy: false }]) // → [true, false]
 */
export function bringNewBars(places: readonly Bringing[]): readonly boolean[] {
  const met = new Set<string>();
  return places.map(({ kind, from, to, hand, isCopy }) => {
    if (kind === 'join') return false;
    let isNew = false;
    for (let bar = from; bar <= to; bar += 1) {
      const key = `${hand} ${bar}`;
      isNew ||= !met.has(key);
      met.add(key);
    }
    return isNew && !isCopy;
  });
}

/** A step as far as weeks go. */
export interface WeighedStep {
  readonly minutes: number;
  readonly isNew: boolean;
}

/** What a week holds. */
export interface WeekHolds {
  readonly minutes: number;
  readonly newChunks: number;
}

/**
 * The week in which each of a row of steps is begun, from 1: in order, as many as fit into the minutes of a week, and
 * not more new ones than it bears. A step that is longer than what is left begins the next week, one longer than a week
 * goes on in the ones after it.
 *
 * @example
 * weeksOf([30, 30, 30, 150].map((minutes) => ({ minutes, isNew: false })), { minutes: 75, newChunks: 2 })
 * // → [1, 1, 2, 3]
 */
export function weeksOf(steps: readonly WeighedStep[], holds: WeekHolds): readonly number[] {
  let week = 1;
  let left = holds.minutes;
  let fresh = 0;
  return steps.map(({ minutes, isNew }) => {
    const isFull = (minutes > left && left < holds.minutes) || (isNew && fresh >= holds.newChunks);
    if (isFull) {
      week += 1;
      left = holds.minutes;
      fresh = 0;
    }
    if (isNew) fresh += 1;
    const begun = week;
    const after = left - minutes;
    // What is over a week is worked off week by week.
    const more = after < 0 ? Math.ceil(-after / holds.minutes) : 0;
    week += more;
    if (more > 0) fresh = 0;
    left = after + more * holds.minutes;
    return begun;
  });
}

/**
 * The last week in which there is something to do.
 *
 * @example
 * lastWeek([30, 30, 30, 150].map((minutes) => ({ minutes, isNew: false })), { minutes: 75, newChunks: 2 }) // → 4
 */
export function lastWeek(steps: readonly WeighedStep[], holds: WeekHolds): number {
  const begun = weeksOf(steps, holds);
  const last = steps[steps.length - 1]?.minutes ?? 0;
  return (begun[begun.length - 1] ?? 0) + Math.max(0, Math.ceil(last / holds.minutes) - 1);
}
