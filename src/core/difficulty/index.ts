/**
 * What makes a bar hard. In: a score, a tempo in quarters a minute, a span in semitones. Out: 0 to 10 a bar and a hand,
 * with reasons.
 */
export {
  barDifficulties,
  cornersOf,
  entryReason,
  type BarDifficulty,
  type DifficultyOptions,
  type DifficultyReason,
  type HandDifficulty,
} from './bar-difficulty';
