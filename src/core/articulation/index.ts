/**
 * Articulation and gesture. In: a score, an instrument family. Out: places with a cue a teacher says, and how often
 * each sign is printed.
 */
export {
  countArticulations,
  cueFor,
  findGestures,
  GESTURE_CUES,
  GESTURE_KINDS,
  type Gesture,
  type GestureKind,
  type OwnCues,
} from './gestures';
