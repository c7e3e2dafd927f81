/** Everything that is kept: schemas, the studio file, and opening what a teacher brings. Times are ISO strings, lengths exact quarters. */
export { openAbc, openGrid, openPiece, type OpenedPiece, type PieceFormat } from './open-piece';
export {
  ladderSchema,
  pageSchema,
  pieceSchema,
  rungKinds,
  rungSchema,
  sectionSchema,
  settingsSchema,
  studentSchema,
  studioSchema,
  templateSchema,
  markSchema,
  eventSchema,
  STUDIO_VERSION,
  type Assigned,
  type Facet,
  type Hand,
  type Ladder,
  type Level,
  type MadeRung,
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
  type Template,
} from './schemas';
export { facets } from './event-schemas';
export { TEACHING_QUESTIONS, teachingFor, USUAL_TEACHING, type Teaching, type TeachingQuestion } from './teaching';
export { mergeRows, withTouched, type FieldConflict, type MergeableRow } from './merge-rows';
export { piecesInWork } from './work';
export { carryMarks } from './carry-marks';
export { readStudioFile, studioJsonSchema, writeStudioFile } from './studio-file';
export { moveToEdition, recallPiece, rememberPiece, toWrittenMarks } from './remembered';
