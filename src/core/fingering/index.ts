/**
 * Fingering. In: a score, the name of an instrument, the player's span and settings, locks (note id → what the teacher
 * set). Out: a proposal for every note with why, its cost, and warnings naming bars. Spans in semitones.
 */
export { fingerChanges, type Density } from './density';
export { fingerScore, type FingeringRequest } from './finger-score';
export type { FingeringLock } from './printed';
export { chordChange, chordShapes, type ChordChange, type ChordShape } from './strings';
export { type Hand, type HandChoice } from './keyboard';
export { fingeringTroubles } from './troubles';
export type { FingeredNote, Fingering, FingeringWarning } from './types';
