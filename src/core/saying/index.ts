/**
 * What is said while one taps or plays. In: notes with their fingers, counts and words, and the music as it sounds.
 * Out: texts by note, and each at its time in seconds.
 */
export { SAYINGS, saidInTime, saidTexts, type SaidInTime, type SaidSources, type Saying } from './saying';
