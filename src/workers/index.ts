/** Thin shells around the core for heavy work off the main thread. */
export { analyse, engrave, loadScore, pieceWorker, warmEngraver } from './clients';
export type { Analysis, EngraveOptions, Marking, MarkingRequest, OpenedFile } from './protocol';
