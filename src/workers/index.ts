/** Thin shells around the core for heavy work off the main thread. */
export { engrave, loadScore, pieceWorker, warmEngraver } from './clients';
export type { EngraveOptions, OpenedFile } from './protocol';
