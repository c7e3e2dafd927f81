/** Practice steps in order. In: a score and a section's bars. Out: rungs, lowest first; tempos in quarters a minute. */
export { COMFORTABLE_NOTES_PER_SECOND, defaultLadder, densestQuarter, passSeconds, START_SHARE, startTempo, type LadderRequest } from './default-ladder';
export {
  ORDER_SCHOOLS,
  pieceLadder,
  STUDENT_LEVELS,
  type LadderChunk,
  type OrderSchool,
  type PieceLadder,
  type PieceLadderRequest,
  type PieceRung,
  type StudentLevel,
} from './piece-ladder';
export { tempoSteps, type TempoPlan, type TempoSchool } from './tempo-steps';
