/**
 * What is the same as what. In: a score. Out: pairs of bar ranges (indexes, both ends included) with their kind and the
 * notes that differ, figures that never change, rhythm families, and the order in which bars pay off. Shares are 0 to
 * 1, lengths in seconds.
 */
export { barLines, type BarContent, type Line } from './bar-content';
export { differencesInWords, movedInWords } from './words';
export { findSameness } from './find-sameness';
export { differencesOf } from './differences';
export type { BeatSequence, Difference, Ostinato, Repeat, RepeatKind, Sameness } from './repeat';
export { intervalsOf, type IntervalCount } from './intervals';
export { payOff, type PayOffStep } from './pay-off';
export { rhythmFamilies, type RhythmFamily } from './rhythm-families';
export { barSimilarity } from './bar-similarity';
export { compareRanges, type ComparedRanges } from './compare-ranges';
