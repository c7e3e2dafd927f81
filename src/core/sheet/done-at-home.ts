import type { Day } from '../studio';
import type { DoneAtHome } from './sent-back';

/** What a day of a task is known by. */
const placeOf = ({ task, day: on }: DoneAtHome): string => `${on} ${task}`;

/**
 * Both of one day and task: of everything the more, for a day only grows.
 *
 * @example moreOf(done('2026-11-24', 5), done('2026-11-24', 12)).minutes // → 12
 */
export function moreOf(a: DoneAtHome, b: DoneAtHome): DoneAtHome {
  const most = (x: number, y: number): number => Math.max(x, y);
  return {
    ...a,
    minutes: most(a.minutes, b.minutes),
    times: most(a.times, b.times),
    right: most(a.right, b.right),
    row: most(a.row, b.row),
    tempo: a.tempo === null ? b.tempo : b.tempo === null ? a.tempo : most(a.tempo, b.tempo),
    ticks: most(a.ticks, b.ticks),
    steps: most(a.steps, b.steps),
  };
}

/**
 * A day of a task on which nothing was done yet.
 *
 * @example nothingAtHome(7, '2026-11-24').minutes // → 0
 */
export const nothingAtHome = (task: number, day: Day): DoneAtHome => ({
  task,
  day,
  minutes: 0,
  times: 0,
  right: 0,
  row: 0,
  tempo: null,
  ticks: 0,
  steps: 0,
});

/** Nothing was done. */
export const isNothing = ({ minutes, times, ticks, steps }: DoneAtHome): boolean =>
  minutes + times + ticks + steps === 0;

/**
 * Days of tasks in their order, each once, without those on which nothing was done.
 *
 * @example inOrder([]) // → []
 */
export function inOrder(done: readonly DoneAtHome[]): readonly DoneAtHome[] {
  const byPlace = new Map<string, DoneAtHome>();
  for (const one of done) {
    const before = byPlace.get(placeOf(one));
    byPlace.set(placeOf(one), before ? moreOf(before, one) : one);
  }
  return [...byPlace.values()]
    .filter((d) => !isNothing(d))
    .sort((a, b) => (a.day < b.day ? -1 : a.day > b.day ? 1 : a.task - b.task));
}
