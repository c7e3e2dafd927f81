/** Thin shells around the core for heavy work off the main thread. Every answer is a result, in a limited time. */
export {
  analyse,
  askAnalysis,
  askFiles,
  askReading,
  cutLines,
  engrave,
  loadScore,
  openAsEdition,
  openBrought,
  readPicture,
  warmEngraver,
  workOnFiles,
  type Running,
} from './clients';
export type {
  Brought,
  BroughtIn,
  Built,
  EditionFile,
  FileWorkStep,
  HardPlaces,
  KeptPicture,
  LineToDraw,
  LoadedPiece,
  Marking,
  MarkingRequest,
  OpenedFile,
  PictureOfPage,
} from './protocol';
export type { Turn } from './turns';
