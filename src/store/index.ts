/** What is kept in the browser: tables, changes with undo, live queries. The only code that touches IndexedDB. */
export { eventAdded, rowChange, storedRow } from './changes';
export type { ChangeEntry } from './database';
export { cachedEngraving, keepEngraving } from './engraving-cache';
export {
  freshSettings,
  useLadders,
  useMarks,
  usePages,
  usePiece,
  usePieces,
  useRecords,
  useSections,
  useSettings,
  useStudents,
  useUndoLabels,
} from './queries';
export { StudioProvider, useStudio, type StudioAccess } from './studio-context';
export { countStudio, putStudio, readStudio } from './studio-data';
