import { barsText } from '../sections';
import { isPickupBar, type Score } from '../score';
import type { Bars } from './copies';

/**
 * Bars as they are said: `bar 3`, `bars 1–4`, `bars 1–4 with the pick-up`.
 *
 * @example barsInWords(score, [0, 3]) // → 'bars 1–4'
 */
export function barsInWords(score: Score, [from, to]: Bars): string {
  if (from === 0 && isPickupBar(score))
    return to === 0 ? 'the pick-up' : `${barsInWords(score, [1, to])} with the pick-up`;
  return `${from === to ? 'bar' : 'bars'} ${barsText(score, from, to)}`;
}

const SHARES: readonly (readonly [number, string])[] = [
  [1 / 5, 'a fifth'],
  [1 / 4, 'a quarter'],
  [1 / 3, 'a third'],
  [2 / 5, 'two fifths'],
  [1 / 2, 'half'],
  [3 / 5, 'three fifths'],
  [2 / 3, 'two thirds'],
  [3 / 4, 'three quarters'],
  [4 / 5, 'four fifths'],
];

/**
 * A share of the piece in words where a plain one is near, else in percent.
 *
 * @example shareInWords(0.34) // → 'a third'
 */
export function shareInWords(share: number): string {
  const near = SHARES.find(([value]) => Math.abs(value - share) <= 0.02);
  if (near) return near[1];
  return share >= 0.98 ? 'nearly all' : `${Math.round(share * 100)} %`;
}

const TIMES = ['never', 'once', 'twice', 'three times', 'four times', 'five times', 'six times'];

/**
 * How often, in words.
 *
 * @example timesInWords(4) // → 'four times'
 */
export const timesInWords = (times: number): string => TIMES[times] ?? `${times} times`;
