/**
 * Everything that is kept: schemas, the studio file, and opening what a teacher brings. Times are ISO strings, lengths
 * exact quarters.
 */
export {
  openAbc,
  openEdition,
  openGrid,
  openPiece,
  readKept,
  titleOf,
  type KeptDocument,
  type OpenedEdition,
  type OpenedPiece,
  type PieceFormat,
} from './open-piece';
export {
  emptyStudio,
  removalId,
  removalSchema,
  ROW_TABLES,
  ROW_WORDS,
  setAsideSchema,
  type AnyRow,
  type Damaged,
  type Box,
  type Hand,
  type Aside,
  type Ladder,
  type Layout,
  type StoredWay,
  type MadeRung,
  type Page,
  type PageSystem,
  type Piece,
  type Removal,
  type RowOf,
  type RowTable,
  type Rung,
  type RungKind,
  type Section,
  type SetAside,
  type Settings,
  type Student,
  type Studio,
  type StudioFile,
  type Template,
} from './schemas';
export { fingersSeen } from './fingers-seen';
export { marksFor } from './marks-for';
export { PAPERS, type Paper } from './people-schemas';
export { pencilRole } from './pencil-role';
export { type PencilMark, type PencilRole } from './kinds/marks/pencil';
export { FULL_FINGERING, type FingerMark } from './kinds/marks/finger';
export { markId, markInWords, notesOfMark, type Mark, type MarkOf, type NewMark, type NoteMark } from './kinds/marks';
export { eventSchema, labelOfEvent, type EventOf, type NewEvent, type StudioEvent } from './kinds/records';
export { facets, type Facet, type Level, type LevelEvent } from './kinds/records/level';
export type { RungEvent } from './kinds/records/rung';
export type { FingeringEvent } from './kinds/records/fingering';
export type { LessonEvent } from './kinds/records/lesson';
export type { SaidEvent } from './kinds/records/said';
export type { Assigned, AssignmentEvent } from './kinds/records/assignment';
export type { PracticeEvent } from './kinds/records/practice';
export { ladderFor, ladderPlayer, laddersOf, playerFor, playerName, withTargetOf } from './player-for';
export {
  answered,
  countingWay,
  TEACHING_QUESTIONS,
  teachingFor,
  USUAL_TEACHING,
  type Teaching,
  type TeachingAnswer,
  type TeachingQuestion,
} from './teaching';
export { millisecondsOf, stampAfter, type Stamp } from './clock';
export {
  agoInWords,
  clockOf,
  dayAfter,
  dayInWords,
  dayOf,
  daysBetween,
  isZone,
  mondayOf,
  shortDay,
  timeOn,
  UTC,
  weekdayOf,
  type Day,
  type Zone,
} from './day';
export { day as daySchema } from './fields';
export { exerciseIds, ladderId, placeId, rungId, sectionId, wayId, type SectionPlace } from './identity';
export { clampTempo, clampText, MOST } from './limits';
export {
  changedFields,
  madeRow,
  sameContent,
  withFields,
  withTouched,
  type FieldConflict,
  type MergeableRow,
} from './merge-rows';
export {
  asStored,
  byId,
  keptRows,
  mergeKept,
  mergeRecords,
  mergeStudios,
  type Conflict,
  type KeptRow,
} from './merge-studio';
export { asDamaged, checkRow, parseRow, whyNot } from './parse-studio';
export { ladderWithPlace, markWithPlace, upgradeStudio, type LooseStudio, type Upgraded } from './upgrade-studio';
export { aboutRecord, placeKey, placeOfRecord, wordsAmong, wordsByTarget, type RecordPlace } from './record-place';
export { recordsByPlace, recordsOfPlace, withWords, type ComingPlace, type ComingRecords } from './coming-records';
export { tempoUnitOf } from './tempo-unit-of';
export { isTechnique, piecesInWork } from './work';
export { carryMarks } from './carry-marks';
export { isStrumPattern } from './kinds/marks/strum';
export { StudioFileReader, type ComingStudio } from './coming-studio';
export {
  readStudioFile,
  STUDIO_FILE_END,
  studioFileHead,
  studioJsonSchema,
  writeStudioFile,
  type ReadStudioFile,
} from './studio-file';
export { recallPiece, rememberPiece, toWrittenMarks } from './remembered';
