/** Counting. In: a score, a staff, a range of bars. Out: tokens with onsets in ticks, said or silent. */
export { countStaff, countText, placeSyllable, type BarCount, type CountToken } from './meter-count';
