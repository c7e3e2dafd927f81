/**
 * Bowed and fretted strings. In: a score, an instrument, locks. Out: string (1 the highest), position or fret, finger,
 * with why.
 */
export { fingerBowed } from './bowed';
export type { BowedRequest } from './bowed-stops';
export { chordChange, chordShapes, type ChordChange, type ChordShape } from './chord-shapes';
export { fingerFretted, type FrettedRequest } from './fretted';
export { cheapestPath, leastThrough } from './lattice';
