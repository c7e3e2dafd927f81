/**
 * What makes a bar hard. In: a score, a tempo in quarters a minute, a span in semitones, the troubles of its fingering.
 * Out: 0 to 10 a bar and a hand, with reasons, and the corners of the piece.
 */
export {
  barDifficulties,
  entryReason,
  type BarDifficulty,
  type DifficultyOptions,
  type HandDifficulty,
  type Trouble,
} from './bar-difficulty';
export { cornersOf, type Corner } from './corners';
export type { DifficultyReason } from './reasons';
