/** Everything that is kept: schemas, the studio file, and opening what a teacher brings. Times are ISO strings, lengths exact quarters. */
export { openAbc, openGrid, openPiece, type OpenedPiece, type PieceFormat } from './open-piece';
export {
  eventSchema,
  ladderSchema,
  markSchema,
  pageSchema,
  pieceSchema,
  rungKinds,
  rungSchema,
  sectionSchema,
  settingsSchema,
  STUDIO_VERSION,
  studentSchema,
  studioSchema,
  type Hand,
  type Ladder,
  type Level,
  type Mark,
  type NoteMark,
  type Page,
  type Piece,
  type Rung,
  type RungKind,
  type Section,
  type Settings,
  type Student,
  type Studio,
  type StudioEvent,
  type StudioFile,
} from './schemas';
export { readStudioFile, studioJsonSchema, writeStudioFile } from './studio-file';
export { moveToEdition, recallPiece, rememberPiece, toWrittenMarks } from './remembered';
