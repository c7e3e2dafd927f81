/**
 * A piece that is worked on as the picture of its pages: which bars it has, where they lie, and what the teacher
 * changes of both. In: pages as they were read, kept layouts, the bar grid. Out: the changed paper, and where
 * everything that stands at its bars is then. Lengths in pixels of the kept picture, places in a bar as shares of its
 * width.
 */
export { barOrder, type MovedBars, type MovedPart } from './moved-bars';
export { outerLines, type PageLayout, type Paper, type SystemPlace } from './paper';
export {
  addBarLine,
  agreeToPages,
  moveBarLine,
  removeBarLine,
  setBarsOfBox,
  type BoxPlace,
  type PaperChange,
  type PaperCode,
  type PaperResult,
} from './change-paper';
export { addSystem, moveSystemEdge, removeSystem, type SystemEdges } from './change-systems';
export { addPages, layAnew, movePage, removePage, type Differences } from './change-pages';
export { paperOf, placedPages, usualStaves, type AboutPages, type PageToPlace } from './from-reading';
export { pageLines, type LineBar, type LineSize, type PageLine } from './page-lines';
export { lineDrawing, type LineContent, type TypedNote } from './line-drawing';
export { setStavesOfLine } from './regroup';
export { carryPlaces, type Carried } from './carry-places';
