/** Minutes a week where nothing is known of the student: five days of a quarter of an hour. Chosen by us. */
export const USUAL_MINUTES_A_WEEK = 75;

/**
 * The week in which each of a row of steps is begun, from 1: as many as fit into the minutes of a week, in order; a
 * step that is longer than what is left begins the next week, one longer than a week goes on in the ones after it.
 *
 * @example weeksOf([30, 30, 30, 150], 75) // → [1, 1, 2, 3]
 */
export function weeksOf(minutes: readonly number[], minutesAWeek: number): readonly number[] {
  let week = 1;
  let left = minutesAWeek;
  return minutes.map((m) => {
    if (m > left && left < minutesAWeek) {
      week += 1;
      left = minutesAWeek;
    }
    const begun = week;
    const after = left - m;
    // What is over a week is worked off week by week.
    const more = after < 0 ? Math.ceil(-after / minutesAWeek) : 0;
    week += more;
    left = after + more * minutesAWeek;
    return begun;
  });
}

/**
 * The last week in which there is something to do.
 *
 * @example lastWeek([30, 30, 30, 150], 75) // → 4
 */
export function lastWeek(minutes: readonly number[], minutesAWeek: number): number {
  const begun = weeksOf(minutes, minutesAWeek);
  const last = minutes[minutes.length - 1] ?? 0;
  return (begun[begun.length - 1] ?? 0) + Math.max(0, Math.ceil(last / minutesAWeek) - 1);
}
