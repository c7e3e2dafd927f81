import type { AssignmentEvent, PracticeEvent } from '../mastery';

export interface PracticeWeek {
  /** The Monday it begins with, `2026-05-18`. */
  readonly monday: string;
  readonly planned: number;
  readonly practised: number;
}

const DAY = 86_400_000;

/** The Monday of the week a day lies in, both as `2026-05-20`. */
export function mondayOf(day: string): string {
  const date = new Date(`${day.slice(0, 10)}T00:00:00.000Z`);
  return new Date(date.getTime() - ((date.getUTCDay() + 6) % 7) * DAY).toISOString().slice(0, 10);
}

/** Practice against plan, week by week up to `now`: what was assigned last before the week's end against what was logged. */
export function practiceWeeks(practice: readonly PracticeEvent[], assignments: readonly AssignmentEvent[], now: string, weeks: number): PracticeWeek[] {
  const last = Date.parse(`${mondayOf(now)}T00:00:00.000Z`);
  return Array.from({ length: weeks }, (_, i) => {
    const start = last - (weeks - 1 - i) * 7 * DAY;
    const monday = new Date(start).toISOString().slice(0, 10);
    const end = new Date(start + 7 * DAY).toISOString();
    const inForce = assignments.filter((a) => a.at < end).pop();
    const planned =
      inForce && Date.parse(end) - Date.parse(inForce.at) <= 14 * DAY ? inForce.items.reduce((sum, item) => sum + item.minutes * item.days.length, 0) : 0;
    const practised = practice.filter((p) => mondayOf(p.day) === monday).reduce((sum, p) => sum + p.minutes, 0);
    return { monday, planned: Math.round(planned), practised: Math.round(practised) };
  });
}
