/**
 * Engraved music as one student has it. In: marks, a score, where things stand in an engraved line. Out: the lanes
 * above and below the line. It goes onto paper and into the file for home as well: it knows the core and the small
 * parts only.
 */
export { ChordShapes, shapesOf } from './chord-shapes';
export { CountLane, xOfOnset } from './count-lane';
export { fingerAt, fingerLane, FINGER_VIEWS, isPrinted, usualView, type FingerView } from './finger-view';
export { LanesAbove, LanesBelow } from './marked-lanes';
export { noteAtOnset } from './note-at-onset';
export { fingersOf, stringNames } from './player-strings';
export { handMapOf, type TakenNote } from './hand-map-of';
export { placeMap } from './place-map';
export { ownTexts } from './own-texts';
export { fingerKey, refusedFingers, refusedKeys } from './refused-marks';
export { seenMarks, type SeenBy, type SeenMarks } from './seen-marks';
export { PENCIL_LOOK, PENCIL_SHIFT, PencilOver, pencilPlace } from './pencil-over';
