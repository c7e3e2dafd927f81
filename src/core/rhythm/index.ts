/** Counting. In: a score, a staff, a range of bars, a system. Out: tokens with onsets in ticks, said or silent. */
export { countStaff, countText, tieCounts, type BarCount, type CountToken, type TieCount } from './count-staff';
export { COUNT_SYSTEMS, COUNTING, type CountSystem } from './systems/systems';
