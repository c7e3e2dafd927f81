/**
 * Practice steps in order. In: a score, a section's bars, how the student is taught. Out: rungs, lowest first, chunks
 * in learning order, tempo steps, starting points. Tempos in quarters a minute, bars as indexes with both ends, minutes
 * as decimals.
 */
export { buildLadder, type LadderRequest } from './build-ladder';
export { describeCopy, type CopyOf } from './copy-of';
export { cautionsFor } from './cautions';
export { mergeLadder, type LadderConflict, type MergedLadder } from './merge-ladder';
export { estimateMinutes, learnedOverhead, passSeconds, USUAL_OVERHEAD, type LoggedWork } from './minutes';
export { orderChunks, ORDER_SCHOOLS, type LadderChunk, type OrderRequest, type OrderSchool } from './order-chunks';
export { pieceLadder, type PieceLadder, type PieceLadderRequest, type PieceRung } from './piece-ladder';
export { STUDENT_LEVELS, type StudentLevel } from './rung-facts';
export { RUNGS } from './rungs/rungs';
export { TEMPO_OVER, TEMPO_STEP } from './rungs/tempo';
export { densestQuarter, startTempo } from './start-tempo';
export { drawnOrder, startingPoints, type StartingPoint } from './starting-points';
export { fromTemplateRungs, toTemplateRungs } from './templates';
export { targetTempo } from './target-tempo';
export { tempoSteps, type TempoPlan, type TempoSchool } from './tempo-steps';
