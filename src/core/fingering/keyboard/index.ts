/** Fingers for keyboard instruments. In: a score, a hand, a span in semitones, locks. Out: a finger a note, with why. */
export { fingerKeyboard, isFinger, type KeyboardRequest } from './finger-keyboard';
export { handsOf, type HandChoice } from './hands';
export { assignmentsOf, solveHand, totalCost, type Assignment, type HandEvent } from './solve';
export { FINGERS, SPAN_TABLE, spansFor, TABLE_SPAN, type Finger } from './spans';
export { ALTERNATIVE_STARTS, type Hand } from './standard';
