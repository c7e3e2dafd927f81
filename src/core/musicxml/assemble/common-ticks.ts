import { lcm, type Fraction } from '../../score';
import type { GrowingPart } from '../growing-part';

/** Above this many ticks a quarter, times are rounded instead (and said so): only hostile files come here. */
const FINEST_TICKS = 50_000_000;
const ROUNDED_TICKS = 1_441_440;

/** The ticks a quarter in which every time of the piece is whole; `exact` is false where there are none. */
export function commonTicks(
  parts: readonly GrowingPart[],
  lengths: readonly Fraction[],
): { perQuarter: number; exact: boolean } {
  const denominators = new Set<number>([1]);
  for (const part of parts)
    for (const measure of part.measures) {
      if (!measure) continue;
      for (const e of measure.events) {
        denominators.add(e.onset.d);
        denominators.add(e.duration.d);
      }
      for (const list of [measure.directions, measure.tempos, measure.swings, measure.chords, measure.attributes])
        for (const d of list) denominators.add(d.onset.d);
    }
  for (const length of lengths) denominators.add(length.d);
  // 48 leaves room for thirty-seconds and triplets of the beat, whatever the piece itself uses.
  let perQuarter = 48;
  for (const d of denominators) {
    perQuarter = lcm(perQuarter, d);
    if (perQuarter > FINEST_TICKS) return { perQuarter: ROUNDED_TICKS, exact: false };
  }
  return { perQuarter, exact: true };
}
