/**
 * Days, weeks and zones: the one place that makes a day from a time. A day is the calendar day where the studio is,
 * `2026-05-20`; times are ISO strings in UTC. Zone arithmetic is date-fns with @date-fns/tz.
 */
import { TZDate } from '@date-fns/tz';
import { addDays, differenceInCalendarDays, format, getISODay, startOfISOWeek } from 'date-fns';
import { millisecondsOf } from './clock';

export type Day = string;
/** Name of a zone in the IANA database, `Europe/Lisbon`. */
export type Zone = string;

/** The zone of a studio that has none yet, until the browser says its own. */
export const UTC: Zone = 'UTC';

const AS_DAY = 'yyyy-MM-dd';
const inUtc = (day: Day): TZDate => new TZDate(`${day}T00:00:00.000Z`, UTC);
const asDay = (date: Date): Day => format(date, AS_DAY);

const QUARTER = 900_000;
/** The last zone that was not whole quarters of an hour from UTC, Liberia's, became so in 1972 (tz database). */
const QUARTERS_SINCE = Date.UTC(1980, 0, 1);
const MOST_KNOWN = 50_000;
const daysKnown = new Map<string, Day>();

/**
 * Whether a text names a zone that this machine knows. `isZone('Pacific/Auckland')` is true, `isZone('Atlantis')`
 * false.
 *
 * @example isZone('Europe/Atlantis') // → false
 */
export function isZone(text: string): boolean {
  try {
    return text !== '' && new Intl.DateTimeFormat('en', { timeZone: text }).resolvedOptions().timeZone !== '';
  } catch {
    return false;
  }
}

/**
 * The calendar day of a time where the studio is.
 *
 * @example dayOf('2026-05-19T00:05:00.000Z', 'America/Los_Angeles') // → '2026-05-18'
 * @example dayOf('2026-05-19T11:50:00.000Z', 'Pacific/Auckland') // → '2026-05-19'
 */
export function dayOf(time: string, zone: Zone): Day {
  const ms = millisecondsOf(time);
  // Since then every zone is whole quarters of an hour from UTC: the day is the same over a quarter. Lists ask for the
  // same days again and again.
  if (!(ms >= QUARTERS_SINCE)) return asDay(new TZDate(ms, zone));
  const key = `${Math.floor(ms / QUARTER)} ${zone}`;
  const known = daysKnown.get(key);
  if (known !== undefined) return known;
  if (daysKnown.size >= MOST_KNOWN) daysKnown.clear();
  const day = asDay(new TZDate(ms, zone));
  daysKnown.set(key, day);
  return day;
}

/**
 * The time at which it is `clock` on a day there; a clock time that daylight saving skips is the one an hour later.
 *
 * @example timeOn('2026-05-20', '16:00', 'America/New_York') // → '2026-05-20T20:00:00.000Z'
 */
export function timeOn(day: Day, clock: string, zone: Zone): string {
  const [year = 0, month = 1, date = 1] = day.split('-').map(Number);
  const [hours = 0, minutes = 0] = clock.split(':').map(Number);
  return new Date(new TZDate(year, month - 1, date, hours, minutes, zone).getTime()).toISOString();
}

/**
 * The clock time of a time there, `16:05`.
 *
 * @example clockOf('2026-05-20T15:05:00.000Z', 'America/New_York') // → '11:05'
 */
export const clockOf = (time: string, zone: Zone): string => format(new TZDate(millisecondsOf(time), zone), 'HH:mm');

/**
 * Days from one day to another; negative backwards. `daysBetween('2026-05-18', '2026-05-20')` is 2.
 *
 * @example daysBetween('2026-02-27', '2026-03-01') // → 2
 */
export const daysBetween = (from: Day, to: Day): number => differenceInCalendarDays(inUtc(to), inUtc(from));

/**
 * A day so many days later. `dayAfter('2026-02-28', 1)` is `'2026-03-01'`.
 *
 * @example dayAfter('2026-12-31', 1) // → '2027-01-01'
 */
export const dayAfter = (day: Day, days: number): Day => asDay(addDays(inUtc(day), days));

/**
 * The Monday of a day's week. `mondayOf('2026-05-24')` is `'2026-05-18'`.
 *
 * @example mondayOf('2026-05-20') // → '2026-05-18'
 */
export const mondayOf = (day: Day): Day => asDay(startOfISOWeek(inUtc(day)));

/**
 * Day of the week, 0 Monday to 6 Sunday.
 *
 * @example weekdayOf('2026-05-20') // → 2
 */
export const weekdayOf = (day: Day): number => getISODay(inUtc(day)) - 1;

/** The language of days where nobody says another. */
const ENGLISH = 'en-GB';

function inWords(day: Day, language: string, how: Intl.DateTimeFormatOptions): string {
  const words = new Intl.DateTimeFormat(language, { ...how, timeZone: 'UTC' });
  const said = words.format(new Date(`${day}T00:00:00.000Z`));
  // Machines differ in whether English has a comma behind the name of the day.
  return language.startsWith('en-GB') ? said.replace(/^(\w+), /, '$1 ') : said;
}

/**
 * `Wednesday 20 May 2026`, or as that is written in another language.
 *
 * @example dayInWords('2026-05-20') // → 'Wednesday 20 May 2026'
 */
export const dayInWords = (day: Day, language = ENGLISH): string =>
  inWords(day, language, { weekday: 'long', day: 'numeric', month: 'long', year: 'numeric' });

/**
 * `20 May 2026`, or as that is written in another language.
 *
 * @example shortDay('2026-05-20') // → '20 May 2026'
 */
export const shortDay = (day: Day, language = ENGLISH): string =>
  inWords(day, language, { day: 'numeric', month: 'short', year: 'numeric' });

/**
 * `today`, `yesterday`, `3 days ago`; a day that is still to come is today.
 *
 * @example agoInWords('2026-05-18', '2026-05-20') // → '2 days ago'
 */
export function agoInWords(day: Day, today: Day): string {
  const days = Math.max(0, daysBetween(day, today));
  return days === 0 ? 'today' : days === 1 ? 'yesterday' : `${days} days ago`;
}
