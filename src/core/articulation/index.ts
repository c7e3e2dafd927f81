/** Articulation and gesture. In: a score, an instrument family. Out: places with a cue a teacher says, and how often each sign is printed. */
export { countArticulations, findGestures, GESTURE_CUES, type Gesture, type GestureKind, type PlayerFamily } from './gestures';
