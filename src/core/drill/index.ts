/**
 * Repetitions that are counted. In: a rung, and after each pass whether it was right. Out: how many in a row, the tempo
 * of the next pass, what is kept of it. Tempos in quarters a minute, seconds as decimals.
 */
export {
  beginDrill,
  drillSum,
  drillTempo,
  judged,
  takenBackPass,
  type Drill,
  type DrillRule,
  type DrillSum,
  type Pass,
} from './drill';
export { drillRule, type DrillContext } from './drill-rule';
