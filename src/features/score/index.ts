/** The score of the chosen piece, its engraving and the strip above every stage about it. */
export { PieceStage, type PieceContext } from './piece-stage';
export { saveMidi, savePiece } from './save-piece';
export { PageViewChoice } from './page-view-choice';
export { FirstLook, keepFirstLook, useFirstLook } from './first-look';
export { ScoreLines } from './score-lines';
export { engravedBars, scoreOf, useScore, useScores } from './use-score';
export { usePageView } from './page-view';
export { loadedPiece } from './loaded-piece';
export { StripPanel } from './strip-panel';
export { useAnalysis, type AnalysisState } from './use-analysis';
export { shownOf, useProposedWay, useFingering, useMarking, type Answer } from './use-marking';
export { useOverhead } from './use-overhead';
export { MusicSizeChoice, useMusicSize } from './music-size';
export { Stand } from './stand';
