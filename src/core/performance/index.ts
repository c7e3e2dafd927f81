/**
 * A selection of a score as it is to sound. In: a score, bars, staves, a tempo, a click. Out: notes, clicks and bars in
 * seconds from the beginning, loudness 0 to 1.
 */
export { CLICK_PATTERNS, clicksUnder, countIn, type Click, type ClickPattern } from './clicks';
export { backingsFor, BACKINGS, type Backing } from './backing';
export { callAndAnswer, fromDrawnStarts, growing, lineByLine } from './lessons-in-sound';
export { inSequence, looped } from './sequence';
export { barSpans, chordSpans, lineSpans, type BarSpan } from './spans';
export { type DynamicSign } from './loudness';
export { markedDynamics, type LoudnessMark } from './marked-dynamics';
export { perform, type Performance, type PerformanceRequest, type PlayedBar, type SoundingNote } from './perform';
export {
  BACKING_PART,
  barsInOrder,
  PLAIN_PLAN,
  timedMusic,
  type PhaseKind,
  type Presence,
  type SoundPlan,
  type TimedBar,
  type TimedClick,
  type TimedMusic,
  type TimedPhase,
  type TimedSound,
} from './timed-music';
