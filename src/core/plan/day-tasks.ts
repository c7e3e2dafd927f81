import { weekdayOf, type Assigned, type AssignmentEvent, type Day, type PracticeEvent } from '../studio';

/** One thing of a day at home, and how far it is. */
export interface DayTask {
  readonly item: Assigned;
  /** Minutes that were logged for it on the day. */
  readonly practised: number;
  /** As long as it was asked for. */
  readonly done: boolean;
}

/**
 * The order of a day: technique first, then the hardest, then what is new and being joined, then the teacher's own, and
 * a run of something that goes well last (handbook chapter 20 **[common practice]**).
 */
const ORDER: Readonly<Record<Assigned['kind'], number>> = { technique: 0, corner: 1, rung: 2, own: 3, check: 4 };

/**
 * Tasks in the order in which a day goes; those of one kind stay as they are.
 *
 * @example inOrderOfDay([]) // → []
 */
export const inOrderOfDay = (items: readonly Assigned[]): readonly Assigned[] =>
  items
    .map((item, i) => ({ item, i }))
    .sort((a, b) => ORDER[a.item.kind] - ORDER[b.item.kind] || a.i - b.i)
    .map(({ item }) => item);

/** Where several things are asked of one section, a log speaks of the first of them that is not done. */
function shareOut(items: readonly Assigned[], logs: readonly PracticeEvent[]): ReadonlyMap<string, number> {
  const minutes = new Map<string, number>();
  for (const log of logs) {
    const here = items.filter(
      (i) => i.pieceId === log.pieceId && (i.sectionId === log.sectionId || i.sectionId === null),
    );
    const open = here.find((i) => (minutes.get(i.id) ?? 0) < i.minutes) ?? here[0];
    if (open) minutes.set(open.id, (minutes.get(open.id) ?? 0) + log.minutes);
  }
  return minutes;
}

/**
 * What a student does on a day of the week that was given, in the order in which it is done, and how far it is by what
 * was logged. None where no week was given.
 *
 * @example dayTasks(null, '2026-05-20', []) // → []
 */
export function dayTasks(
  assignment: AssignmentEvent | null,
  day: Day,
  logs: readonly PracticeEvent[],
): readonly DayTask[] {
  const weekday = weekdayOf(day);
  const items = inOrderOfDay(assignment?.items ?? []).filter((item) => item.days.includes(weekday));
  const minutes = shareOut(
    items,
    logs.filter((log) => log.day === day),
  );
  return items.map((item) => {
    const practised = minutes.get(item.id) ?? 0;
    return { item, practised, done: practised >= item.minutes };
  });
}
