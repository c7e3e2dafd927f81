/** The score of the chosen piece, its engraving and the strip above every stage about it. */
export { PieceStage, type PieceContext } from './piece-stage';
export { savePiece } from './save-piece';
export { ScoreLines } from './score-lines';
export { useScore } from './use-score';
