/** What makes a bar hard. In: a score and a tempo in quarters a minute. Out: 0 to 10 a bar, with reasons. */
export { barDifficulties, DIFFICULTY_WEIGHTS, type BarDifficulty } from './bar-difficulty';
