/**
 * Harmony. In: a score. Out: a chord a beat with symbol, degree and flags, the keys visited, pedals and sequences.
 * Pitch classes 0 to 11.
 */
export { rootName } from './chord-names';
export { findHarmony } from './find-harmony';
export type { BeatChord, Cadence, CadenceKind, ChordFlag, Harmony } from './harmony';
export { type KeySpan } from './keys';
export { blockChords, type ChordBlock } from './block-chords';
export { pedalPlaces, type PedalPlace } from './pedal-places';
