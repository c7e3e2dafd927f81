/**
 * What goes home on paper, drawn. In: the sheet of a week in words, engraved bars, a paper and a size. Out: blocks that
 * are never cut in two, on pages. The same for the screen, the printer and the file for home.
 */
export type { DrawnExcerpt, DrawnSheet } from './drawn-sheet';
export { contentWidth, PAPER_NAMES, SIZES, type PrintSize } from './paper';
export { SheetPages } from './sheet-pages';
export { WeekPages, type LaidWeek } from './week-pages';
export { weekBlocks } from './week-blocks';
export type { SheetBlock } from './sheet-block';
export { drawPiece, type DrawnPiece } from './draw-piece';
export { chordBlocks } from './chord-blocks';
export { changedSince, pieceBlocks, type PieceLook } from './piece-blocks';
export { worksheetBlocks } from './worksheet-blocks';
export { drawWeek } from './draw-week';
export { SHEET_FINGERS, type SheetChoices, type SheetFingers, type SheetHands } from './sheet-choices';
