import { z } from 'zod';
import { daySchema } from '../studio';
import { MOST_AT_HOME, MOST_TASKS } from './most-at-home';

const count = (most: number) => z.number().int().min(0).max(most);

/** What was done of one task on one day. */
export const doneAtHomeSchema = z.object({
  /** Which task of the week (`taskKey`). */
  task: count(0xffff),
  /** The day it was done, where the student was. */
  day: daySchema,
  minutes: count(MOST_AT_HOME.minutes),
  /** Repetitions that were judged, those that were right, and the longest row of them. */
  times: count(MOST_AT_HOME.times),
  right: count(MOST_AT_HOME.times),
  row: count(MOST_AT_HOME.times),
  /** The fastest tempo at which it was right, quarters a minute; null where none was taken. */
  tempo: count(MOST_AT_HOME.tempo).min(1).nullable(),
  /** Boxes that were ticked. */
  ticks: count(MOST_AT_HOME.ticks),
  /** Steps of the task that were done in the end. */
  steps: count(MOST_AT_HOME.steps),
});
export type DoneAtHome = Readonly<z.infer<typeof doneAtHomeSchema>>;

/** What comes back from one week at home, from one device. */
export const sentBackSchema = z.object({
  /** Which week of which student (`weekKey`). */
  week: count(0xffffffff),
  /** Which device it comes from: two of them are added up. */
  device: count(0xffff),
  /** The day on which the week begins. */
  from: daySchema,
  done: z
    .array(doneAtHomeSchema)
    .max(MOST_TASKS * MOST_AT_HOME.days)
    .readonly(),
  note: z.string().max(MOST_AT_HOME.note),
});
export type SentBack = Readonly<z.infer<typeof sentBackSchema>>;
