/**
 * What goes home on paper, drawn. In: the sheet of a week in words, engraved bars, a paper and a size. Out: blocks that
 * are never cut in two, on pages. The same for the screen, the printer and the file for home.
 */
export type { DrawnExcerpt, DrawnSheet } from './drawn-sheet';
export { contentWidth, engravingScale, PAPERS, SIZES, type Paper, type PrintSize } from './paper';
export { pagesOf, SheetPages } from './sheet-pages';
export { WeekPages, type LaidWeek } from './week-pages';
export { weekBlocks, type SheetBlock } from './week-blocks';
export {
  drawWeek,
  SHEET_FINGERS,
  type SheetChoices,
  type SheetFingers,
  type SheetHands,
  type SheetStudio,
} from './draw-week';
