/**
 * What everything else asks of a piece. In: a score and who plays. Out: sameness, sections, harmony, difficulties,
 * families and what pays, each computed when it is asked for, once a version. Bars are indexes from 0.
 */
export { analysisOf, type Analysis, type HardBars } from './analysis-of';
