/** Everything that is kept: schemas, the studio file, and opening what a teacher brings. */
export { openAbc, openPiece, type OpenedPiece, type PieceFormat } from './open-piece';
