/** Counting. In: a score, a staff, a range of bars, a system. Out: tokens with onsets in ticks, said or silent. */
export {
  countStaff,
  countText,
  hasCompoundBeats,
  hasOpenBeats,
  tieCounts,
  USUAL_WAY,
  type BarCount,
  type CountingWay,
  type CountToken,
  type TieCount,
} from './count-staff';
export { COUNT_SYSTEMS, COUNTING, type CountSystem } from './systems/systems';
