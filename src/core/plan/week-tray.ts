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
}

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

const KIND_FIRST = ['technique', 'check', 'corner', 'rung', 'own'] as const satisfies readonly Candidate['kind'][];
const SLACK = 1e-9;

/** The days to use: those with most room left, spread over the week, earlier ones first when all is equal. */
function daysFor(room: readonly number[], minutes: number, wanted: number): number[] {
  const free = room.flatMap((left, day) => (left + SLACK >= minutes ? [day] : []));
  const chosen: number[] = [];
  while (chosen.length < wanted && chosen.length < free.length) {
    const open = free.filter((d) => !chosen.includes(d));
    const gap = (d: number): number => Math.min(7, ...chosen.map((c) => Math.abs(c - d)));
    const best = open.reduce((a, b) => {
      const byGap = gap(b) - gap(a);
      const byRoom = (room[b] ?? 0) - (room[a] ?? 0);
      return byGap > 0 || (byGap === 0 && byRoom > SLACK) ? b : a;
    });
    chosen.push(best);
  }
  return chosen.sort((a, b) => a - b);
}

/**
 * Fills a week: heaviest first, each thing on as many of its days as the minutes allow. What does not fit is named, and
 * what fits on fewer days than wanted too. Within a day, technique comes first and checks next. Minutes of no day are
 * ever exceeded; candidates of no length or on no day are left out. `mostInWeek` is a second limit, so that a week does
 * not rise too fast over the one before.
 */
export function fillTray(
  candidates: readonly Candidate[],
  minutesPerDay: readonly number[],
  mostInWeek = Infinity,
): Tray {
  const room = Array.from({ length: 7 }, (_, d) => Math.max(0, minutesPerDay[d] ?? 0));
  let left = mostInWeek;
  const items: TrayItem[] = [];
  const leftOut: Tray['leftOut'][number][] = [];
  const inOrder = [...candidates].sort((a, b) => b.weight - a.weight || (a.key < b.key ? -1 : a.key > b.key ? 1 : 0));
  for (const c of inOrder) {
    const wanted = Math.min(7, Math.floor(c.days));
    const each = c.minutes;
    const free = wanted > 0 && each > 0 ? daysFor(room, each, wanted) : [];
    const on = free.slice(0, Math.max(0, Math.floor((left + SLACK) / Math.max(each, SLACK))));
    left -= on.length * each;
    const rises = on.length < free.length;
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
    items: items.sort((a, b) => KIND_FIRST.indexOf(a.kind) - KIND_FIRST.indexOf(b.kind) || b.weight - a.weight),
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
