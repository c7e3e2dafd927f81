import { ticks, type Ticks } from '../units';
import { meterQuarters } from './meter';
import type { Score } from './model';

/**
 * The pick-up of a piece: how long its first bar is where that is less than its meter, in ticks; 0 where it begins on
 * a full bar, is in free time or has no other bar.
 *
 * @example pickupLength(scoreOf('C|D4|')) === scoreOf('C|D4|').ticksPerQuarter // → true
 */
export function pickupLength({ bars, ticksPerQuarter }: Score): Ticks {
  const [first, second] = bars;
  if (!first || !second) return ticks(0);
  const nominal = meterQuarters(first.meter);
  return first.length * nominal.d < nominal.n * ticksPerQuarter ? first.length : ticks(0);
}

/**
 * Whether the first bar is but the end of one.
 *
 * @example isPickupBar(scoreOf('C4|D4|')) // → false
 */
export const isPickupBar = (score: Score): boolean => pickupLength(score) > 0;
