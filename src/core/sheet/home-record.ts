import type { Day } from '../studio';

/** Where a record of practice came from, and what of the week it is. */
export interface HomeRecordPlace {
  readonly week: number;
  readonly device: number;
  readonly day: Day;
  readonly task: number;
}

/** No device: boxes that were ticked on paper. */
export const PAPER = 0;

/**
 * What the ids of all records of one task, day and device begin with.
 *
 * @example homeRecordPlace({ week: 255, device: 0, day: '2026-11-24', task: 16 }) // → 'home~ff~0~2026-11-24~10~'
 */
export const homeRecordPlace = ({ week, device, day, task }: HomeRecordPlace): string =>
  `home~${week.toString(16)}~${device.toString(16)}~${day}~${task.toString(16)}~`;

const PLACE = /^home~([0-9a-f]+)~([0-9a-f]+)~(\d{4}-\d{2}-\d{2})~([0-9a-f]+)~/;

/**
 * The place that an id names; null for what did not come from home.
 *
 * @example placeOfRecord('home~ff~0~2026-11-24~10~5-0-0-0-0-1')?.task // → 16
 */
export function placeOfRecord(id: string): HomeRecordPlace | null {
  const [, week = '', device = '', day = '', task = ''] = PLACE.exec(id) ?? [];
  return day === ''
    ? null
    : { week: Number.parseInt(week, 16), device: Number.parseInt(device, 16), day, task: Number.parseInt(task, 16) };
}
