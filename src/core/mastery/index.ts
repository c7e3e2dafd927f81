/** Levels and what holds. In: append-only events. Out: standing per student and section; times are ISO strings. */
export {
  foldEvents,
  heldEvents,
  isLevel,
  LEVEL_HEARD,
  LEVEL_NAMES,
  standingKey,
  type FingeringEvent,
  type FoldedRecords,
  type LevelEvent,
  type Standing,
} from './fold-events';
