/** What is kept in the browser: tables, changes with undo, live queries. The only code that touches IndexedDB. */
export { eventAdded, rowChange, storedRow } from './changes';
export type { ChangeEntry } from './database';
export { cachedEngraving, keepEngraving } from './engraving-cache';
export {
  freshSettings,
  useAllStandings,
  useFingerings,
  useLadders,
  useMarks,
  usePages,
  usePiece,
  usePieces,
  useSections,
  useSectionsOf,
  useSettings,
  useStandings,
  useStudentEvents,
  useStudents,
  useTemplates,
  useUndoLabels,
} from './queries';
export { StudioProvider, useStudio, type StudioAccess } from './studio-context';
export { countStudio, putStudio, readStudio, type Merged } from './studio-data';
