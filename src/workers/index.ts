/** Thin shells around the core for heavy work off the main thread. Every answer is a result, in a limited time. */
export {
  analyse,
  askAnalysis,
  askFiles,
  askReading,
  engrave,
  loadScore,
  openAsEdition,
  openBrought,
  warmEngraver,
} from './clients';
export type {
  Brought,
  BroughtIn,
  Built,
  EditionFile,
  LoadedPiece,
  Marking,
  MarkingRequest,
  OpenedFile,
} from './protocol';
