/** What is kept in the browser: tables, running commands, undo, live queries. The only code that touches IndexedDB. */
export type { Merged } from './batches';
export { isBindingNeeded } from './bind-records';
export { isStepLarge } from './change-log';
export type { Notice } from './database';
export { dropDraft, keepDraft, readDraft } from './drafts';
export { cachedEngraving, keepEngraving } from './engraving-cache';
export {
  everyPiece,
  useEveryPiece,
  useEveryStudent,
  useFingerings,
  useGlances,
  useHasSections,
  useLadders,
  useMarks,
  useNotices,
  usePages,
  usePiece,
  usePieces,
  useRemoved,
  useSections,
  useSectionsOf,
  useSettings,
  useStandings,
  useStudentEvents,
  useStudents,
  useTemplates,
  useUndoLabels,
  useWays,
  useWorks,
  type RemovedRow,
} from './queries';
export type { Done } from './run-command';
export { pieceRows } from './piece-rows';
export { sheetRows, type SheetRows } from './sheet-rows';
export { givenWeeks, type GivenWeek } from './given-weeks';
export { whoseWeek, type FoundWeek } from './whose-week';
export { storageProblem } from './stored-problem';
export { StudioProvider, useStudio, type StudioAccess } from './studio-context';
export { countStudio, noteBackup } from './studio-data';
export { layoutsOf, pagesById, pictureAddress, useLayouts, usePagePicture } from './piece-pages';
export { useLive } from './use-live';
