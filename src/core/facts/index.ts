/**
 * What the page says before any playing, and what the student must own for it.
 * In: a score and the instrument. Out: named facts, each with the bar it is seen in (index from 0) or none.
 */
export { pieceFacts, type Fact, type FactGroup } from './piece-facts';
export { patternsFor, type Pattern } from './patterns';
