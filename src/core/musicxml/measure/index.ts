/** One bar of one part: elements to events with exact times inside the bar. */
export { readMeasure } from './read-measure';
export { startState, type PartState } from './part-state';
export { valueQuarters } from './note-values';
export type { RawMeasure } from './raw-measure';
