/** Something that could be practised next week. */
export interface Candidate {
  readonly key: string;
  readonly kind: 'technique' | 'check' | 'rung' | 'corner' | 'own';
  readonly pieceId: string | null;
  readonly sectionId: string | null;
  readonly what: string;
  readonly tempo: number | null;
  /** Minutes each time it is done. */
  readonly minutes: number;
  /** On how many days it is wanted, 1 to 7. */
  readonly days: number;
  readonly timesADay: number;
  readonly by: '' | 'midweek' | 'lesson';
  readonly why: string;
  /** Larger comes first. */
  readonly weight: number;
  /** Where in a day it stands; by its kind where nothing is said. */
  readonly inDay?: PartOfDay;
  /** It is put together from what is begun in the same week: not before the middle of it. */
  readonly late?: boolean;
}

/** The order of a day: warm, then what is hardest, what is being joined, what is due, what is whole, what goes well. */
export const DAY_ORDER = ['technique', 'new', 'join', 'due', 'whole', 'well', 'own'] as const;
export type PartOfDay = (typeof DAY_ORDER)[number];

export interface TrayItem extends Candidate {
  /** Days of the week it is done on, 0 Monday to 6 Sunday, in order. */
  readonly on: readonly number[];
}

export interface Tray {
  readonly items: readonly TrayItem[];
  /** What found no place, or fewer days than wanted, with why. */
  readonly leftOut: readonly {
    readonly key: string;
    readonly what: string;
    readonly minutes: number;
    readonly why: string;
  }[];
  /** Minutes planned on each day, 0 Monday to 6 Sunday; never more than there are. */
  readonly planned: readonly number[];
}

const PART_OF_KIND: Readonly<Record<Candidate['kind'], PartOfDay>> = {
  technique: 'technique',
  corner: 'new',
  rung: 'new',
  check: 'due',
  own: 'own',
};
const placeInDay = ({ inDay, kind }: Candidate): number => DAY_ORDER.indexOf(inDay ?? PART_OF_KIND[kind]);
const SLACK = 1e-9;

const WEEK = 7;
const ALL_DAYS = Array.from({ length: WEEK }, (_, day) => day);
/** Every set of days there is, the earlier days first. */
const DAY_SETS = Array.from({ length: 2 ** WEEK }, (_, bits) => ALL_DAYS.filter((d) => bits & (1 << d))).sort(
  (a, b) => {
    const at = a.findIndex((d, i) => d !== b[i]);
    return at < 0 ? a.length - b.length : (a[at] ?? 0) - (b[at] ?? WEEK);
  },
);

/** Days after the lesson from which a week is in its second half. */
const MIDDLE = 3;

export interface WeekLimits {
  /** Minutes of the whole week, so that it does not rise too fast over the one before. */
  readonly mostInWeek?: number;
  readonly mostTasks?: number;
  /** The day after the lesson, 0 Monday to 6 Sunday. */
  readonly firstDay?: number;
}

/** How uneven the pauses between days are, over the end of the week too: the squares of the gaps. */
const unevenness = (days: readonly number[]): number =>
  days.reduce((sum, d, i) => sum + ((days[i + 1] ?? (days[0] ?? 0) + WEEK) - d) ** 2, 0);
const nearest = (days: readonly number[]): number => Math.min(WEEK, ...days.slice(1).map((d, i) => d - (days[i] ?? 0)));

/**
 * The days to use, of those that have room: spread evenly, then where most room is left, then with no two days in a
 * row, then the earlier ones. Three of seven are Monday, Wednesday, Friday; four are those and Sunday.
 */
function daysFor(
  room: readonly number[],
  minutes: number,
  wanted: number,
  isLate: (day: number) => boolean,
): readonly number[] {
  const all = room.flatMap((left, day) => (left + SLACK >= minutes ? [day] : []));
  const late = all.filter(isLate);
  const free = late.length > 0 ? late : all;
  const count = Math.min(wanted, free.length);
  const roomOf = (days: readonly number[]): number => days.reduce((sum, d) => sum + (room[d] ?? 0), 0);
  const better = (a: readonly number[], b: readonly number[]): boolean => {
    const even = unevenness(a) - unevenness(b);
    if (even !== 0) return even < 0;
    const more = roomOf(a) - roomOf(b);
    return Math.abs(more) > SLACK ? more > 0 : nearest(a) > nearest(b);
  };
  return DAY_SETS.filter((days) => days.length === count && days.every((d) => free.includes(d))).reduce<
    readonly number[]
  >((best, days) => (best.length === 0 || better(days, best) ? days : best), []);
}

/**
 * Fills a week: heaviest first, each thing on as many of its days as the minutes allow. What does not fit is named, and
 * what fits on fewer days than wanted too. A day goes by `DAY_ORDER`, the heavier first. Minutes of no day are ever
 * exceeded; candidates of no length or on no day are left out.
 *
 * @example fillTray([task('bars 1–4', 5, 3)], [10, 10, 10, 10, 10, 0, 0]).items[0].on // → [0, 2, 4]
 */
export function fillTray(
  candidates: readonly Candidate[],
  minutesPerDay: readonly number[],
  { mostInWeek = Infinity, mostTasks = Infinity, firstDay = 0 }: WeekLimits = {},
): Tray {
  const room = ALL_DAYS.map((d) => Math.max(0, minutesPerDay[d] ?? 0));
  let left = mostInWeek;
  const items: TrayItem[] = [];
  const leftOut: Tray['leftOut'][number][] = [];
  const inOrder = [...candidates].sort((a, b) => b.weight - a.weight || (a.key < b.key ? -1 : a.key > b.key ? 1 : 0));
  for (const c of inOrder) {
    const wanted = Math.min(WEEK, Math.floor(c.days));
    const each = c.minutes;
    if (items.length >= mostTasks) {
      leftOut.push({
        key: c.key,
        what: c.what,
        minutes: each * Math.max(1, wanted),
        why: `${mostTasks} tasks are enough for a week`,
      });
      continue;
    }
    const isLate = (day: number): boolean => c.late !== true || (day - firstDay + WEEK) % WEEK >= MIDDLE;
    const fits = wanted > 0 && each > 0 ? daysFor(room, each, wanted, isLate) : [];
    const most = Math.max(0, Math.floor((left + SLACK) / Math.max(each, SLACK)));
    const rises = most < fits.length;
    const on = rises ? daysFor(room, each, most, isLate) : fits;
    left -= on.length * each;
    for (const d of on) room[d] = (room[d] ?? 0) - each;
    if (on.length > 0) items.push({ ...c, on });
    if (on.length === 0)
      leftOut.push({
        key: c.key,
        what: c.what,
        minutes: c.minutes * Math.max(1, wanted),
        why: rises ? 'the week would rise too fast' : 'no day has room for it',
      });
    else if (on.length < wanted)
      leftOut.push({
        key: c.key,
        what: c.what,
        minutes: c.minutes * (wanted - on.length),
        why: `on ${on.length} of ${wanted} days${rises ? ', so that the week does not rise too fast' : ''}`,
      });
  }
  const planned = room.map((left, d) => Math.round((Math.max(0, minutesPerDay[d] ?? 0) - left) * 100) / 100);
  return {
    items: items.sort((a, b) => placeInDay(a) - placeInDay(b) || b.weight - a.weight),
    leftOut,
    planned,
  };
}

/** A week may ask at most this much of the one before: daily time rises gently **[from memory]**. */
export const MOST_RISE = 1.25;

/**
 * Whether a week asks more than a quarter more than the one before; a week without one before it may ask anything.
 *
 * @example risesTooFast(100, 150) // → true
 */
export const risesTooFast = (before: number, now: number): boolean => before > 0 && now > before * MOST_RISE + SLACK;
