/**
 * A selection of a score as it is to sound. In: a score, bars, staves, a tempo, a click. Out: notes, clicks and bars in
 * seconds from the beginning, loudness 0 to 1.
 */
export { CLICK_PATTERNS, clicksUnder, countIn, type Click, type ClickPattern } from './clicks';
export { looped } from './loop';
export { type DynamicSign } from './loudness';
export { markedDynamics, type LoudnessMark } from './marked-dynamics';
export { perform, type Performance, type PerformanceRequest, type PlayedBar, type SoundingNote } from './perform';
export {
  barsInOrder,
  PLAIN_PLAN,
  timedMusic,
  type Presence,
  type SoundPlan,
  type TimedBar,
  type TimedClick,
  type TimedMusic,
  type TimedSound,
} from './timed-music';
