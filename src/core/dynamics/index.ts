/**
 * Dynamics. In: a score, its sameness and phrases. Out: what is printed, and suggestions with reasons. Onsets in ticks.
 */
export {
  LEVELS,
  printedDynamics,
  suggestDynamics,
  type DynamicLevel,
  type PrintedDynamic,
  type SuggestedDynamic,
} from './suggest';
export { type Staff } from './tune';
