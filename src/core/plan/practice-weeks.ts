import {
  dayAfter,
  daysBetween,
  dayOf,
  mondayOf,
  type AssignmentEvent,
  type Day,
  type PracticeEvent,
  type Zone,
} from '../studio';

export interface PracticeWeek {
  /** The Monday it begins with, `2026-05-18`. */
  readonly monday: string;
  readonly planned: number;
  readonly practised: number;
}

/** An assignment counts for two weeks at most: then it is stale. */
const STALE_AFTER_DAYS = 14;

/**
 * Practice against plan, week by week up to the week of `today`: what was assigned last before the week's end against
 * what was logged.
 *
 * @example
 * practiceWeeks([practised('2026-05-20', 15)], [given('2026-05-18', 5)], { today: '2026-05-20', zone: 'UTC',
 *   weeks: 1 }) // → [{ monday: '2026-05-18', planned: 15, practised: 15 }]
 */
export function practiceWeeks(
  practice: readonly PracticeEvent[],
  assignments: readonly AssignmentEvent[],
  { today, zone, weeks }: { readonly today: Day; readonly zone: Zone; readonly weeks: number },
): PracticeWeek[] {
  const given = assignments.map((a) => ({
    day: dayOf(a.at, zone),
    minutes: a.items.reduce((sum, item) => sum + item.minutes * item.days.length, 0),
  }));
  const last = mondayOf(today);
  return Array.from({ length: weeks }, (_, i) => {
    const monday = dayAfter(last, -(weeks - 1 - i) * 7);
    const next = dayAfter(monday, 7);
    const inForce = given.filter((a) => a.day < next).pop();
    const planned = inForce && daysBetween(inForce.day, next) <= STALE_AFTER_DAYS ? inForce.minutes : 0;
    const practised = practice.filter((p) => p.day >= monday && p.day < next).reduce((sum, p) => sum + p.minutes, 0);
    return { monday, planned: Math.round(planned), practised: Math.round(practised) };
  });
}
