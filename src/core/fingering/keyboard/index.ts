/**
 * Fingers for keyboard instruments. In: a score, a hand, a span in semitones, locks. Out: a finger a note, with why.
 */
export { fingerKeyboard, isFinger } from './finger-keyboard';
export type { HandChoice } from './hands';
export { TABLE_SPAN, type Finger } from './spans';
export type { Hand } from './standard';
