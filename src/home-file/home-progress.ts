import { inOrder, MOST_AT_HOME, nothingAtHome, type DoneAtHome, type SentBack } from '@/core/sheet';
import { dayAfter, type Day } from '@/core/studio';
import { NO_WORK, type RoomSum, type RoomWork } from '@/room';

/** What one day of one task came to, minutes in seconds. */
export interface DayOfTask extends Omit<DoneAtHome, 'minutes'> {
  readonly seconds: number;
}

/** Everything that is kept in this browser about the week. */
export interface HomeProgress {
  /** By which two devices are told apart. */
  readonly device: number;
  readonly days: readonly DayOfTask[];
  /** What is open in the room, by task, step and day. */
  readonly open: Readonly<Record<string, RoomWork>>;
  /** Ids of work that was kept: none is kept twice. */
  readonly kept: readonly string[];
  readonly note: string;
}

const MOST_KEPT = 200;

/** Nothing was done yet. */
export const noProgress = (device: number): HomeProgress => ({ device, days: [], open: {}, kept: [], note: '' });

function nothingOn(task: number, day: Day): DayOfTask {
  const { minutes: seconds, ...nothing } = nothingAtHome(task, day);
  return { ...nothing, seconds };
}

/** What was done of a task on a day. */
export const dayOfTask = ({ days }: HomeProgress, task: number, day: Day): DayOfTask =>
  days.find((d) => d.task === task && d.day === day) ?? nothingOn(task, day);

/** Steps of a task that are done by now, those before the week with them. */
export const stepsDone = ({ days }: HomeProgress, task: number, before: number): number =>
  Math.max(before, ...days.filter((d) => d.task === task).map((d) => d.steps));

function changed(progress: HomeProgress, next: DayOfTask): HomeProgress {
  const others = progress.days.filter((d) => d.task !== next.task || d.day !== next.day);
  return { ...progress, days: [...others, next] };
}

const upTo = (most: number, value: number): number => Math.max(0, Math.min(most, Math.round(value)));

/** A box ticked, or one that was ticked no more. */
export const ticked = (progress: HomeProgress, task: number, day: Day, ticks: number): HomeProgress =>
  changed(progress, { ...dayOfTask(progress, task, day), ticks: upTo(MOST_AT_HOME.ticks, ticks) });

/** Some more seconds at the instrument. */
export function spent(progress: HomeProgress, task: number, day: Day, seconds: number): HomeProgress {
  const before = dayOfTask(progress, task, day);
  return changed(progress, { ...before, seconds: upTo(MOST_AT_HOME.minutes * 60, before.seconds + seconds) });
}

/** What was counted in the room, added to its day; once, however often it is handed over. */
export function counted(
  progress: HomeProgress,
  {
    task,
    day,
    step,
    boxes,
  }: { readonly task: number; readonly day: Day; readonly step: number; readonly boxes: number },
  sum: RoomSum,
): HomeProgress {
  if (progress.kept.includes(sum.id)) return progress;
  const before = dayOfTask(progress, task, day);
  const times = upTo(MOST_AT_HOME.times, before.times + sum.passes);
  const reached = sum.reached === null ? null : upTo(MOST_AT_HOME.tempo, sum.reached);
  return {
    ...changed(progress, {
      ...before,
      times,
      right: Math.min(times, before.right + sum.right),
      row: Math.min(times, Math.max(before.row, sum.row)),
      tempo: reached === null ? before.tempo : Math.max(before.tempo ?? 1, reached),
      ticks: sum.done ? Math.min(boxes, before.ticks + 1) : before.ticks,
      steps: sum.done ? upTo(MOST_AT_HOME.steps, Math.max(before.steps, step)) : before.steps,
    }),
    kept: [...progress.kept, sum.id].slice(-MOST_KEPT),
  };
}

/** The work that is open under a name, and the same with other work. */
export const openWork = ({ open }: HomeProgress, name: string): RoomWork => open[name] ?? NO_WORK;
export function withOpen(progress: HomeProgress, name: string, work: RoomWork | null): HomeProgress {
  const { [name]: _, ...others } = progress.open;
  return { ...progress, open: work === null ? others : { ...others, [name]: work } };
}

/** Seconds as minutes; what was begun counts as one. */
const inMinutes = (seconds: number): number =>
  seconds < 20 ? 0 : Math.max(1, Math.min(MOST_AT_HOME.minutes, Math.round(seconds / 60)));

/** What is sent to the teacher. */
export const sentBack = (
  { device, days, note }: HomeProgress,
  { key, from }: { readonly key: number; readonly from: Day },
): SentBack => ({
  week: key,
  device,
  from,
  done: inOrder(days.map(({ seconds, ...day }) => ({ ...day, minutes: inMinutes(seconds) }))),
  note: note.trim().slice(0, MOST_AT_HOME.note),
});

/** Minutes of a day, all tasks together. */
export const minutesOn = ({ days }: HomeProgress, day: Day): number =>
  Math.round(days.filter((d) => d.day === day).reduce((sum, d) => sum + d.seconds, 0) / 60);

/** The days that can be written in: the week, and what came after it until today. */
export function daysOfWeek(from: Day, today: Day): readonly Day[] {
  const all = Array.from({ length: MOST_AT_HOME.days }, (_, i) => dayAfter(from, i));
  return all.filter((d, i) => i < 7 || d <= today);
}
