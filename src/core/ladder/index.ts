/**
 * Practice steps in order. In: a score, a section's bars, how the student is taught. Out: rungs, lowest first,
 * tempo steps, starting points. Tempos in quarters a minute, bars as indexes with both ends, minutes
 * as decimals.
 */
export { buildLadder, type LadderRequest } from './build-ladder';
export { describeCopy, type CopyOf } from './copy-of';
export { cautionsFor, MINUTES_BEFORE_A_BREAK } from './cautions';
export { EXERCISE_PACE } from './exercise-rungs';
export { mergeLadder, type LadderConflict, type MergedLadder } from './merge-ladder';
export {
  BESIDES_PLAYING,
  estimateMinutes,
  learnedOverhead,
  minutesRange,
  OVERHEAD,
  passSeconds,
  USUAL_OVERHEAD,
  type LoggedWork,
} from './minutes';
export { STUDENT_LEVELS, type LadderScope, type StudentLevel } from './rung-facts';
export { pieceContent, type PieceContent } from './section-content';
export { RUNGS } from './rungs/rungs';
export { rungTempos } from './rung-tempos';
export { TEMPO_STEP } from './rungs/tempo';
export { densestQuarter, startTempo } from './start-tempo';
export { drawnOrder, startingPoints, type StartingPoint } from './starting-points';
export { fromTemplateRungs, toTemplateRungs } from './templates';
export { targetTempo, targetTempoFor } from './target-tempo';
export { tempoSteps, type TempoPlan, type TempoSchool } from './tempo-steps';
