import type { Assigned } from '../studio';

/** More boxes on one day are not ticked by anybody. */
const MOST_BOXES = 5;

/**
 * Boxes of a task for one day: as often as it is asked for, within what is ticked.
 *
 * @example boxesADay({ timesADay: 3 }) // → 3
 */
export const boxesADay = ({ timesADay }: Pick<Assigned, 'timesADay'>): number => Math.min(MOST_BOXES, timesADay);
