/**
 * The way through a piece: its chunks and joins in the order in which they are learned. In: what is known of the piece
 * for its player, a level, a school. Out: steps, each with why it is here and what share of the playing time is then
 * known. Bars are indexes, both ends included; offsets exact quarters as text; shares 0 to 1.
 */
export { buildPlaces } from './build-places';
export { firstBarOf, isSection, keptShapes } from './kept-shapes';
export { mergeWay } from './merge-way';
export { barsInWords, shareInWords } from './names';
export { proposeWay, type WayRequest } from './propose-way';
export { nextOnWay, type NextOnWay } from './next-on-way';
export { schoolFor } from './schools/schools';
export { WAY_SCHOOLS, type Way, type WayChunk, type WayKind, type WayPlace, type WaySchool, type WayStep } from './way';
export type { WayOf } from './way-of';
export { wayOfPiece } from './way-of-piece';
export { bringNewBars, NEW_CHUNKS_A_WEEK } from './weeks';
export { chunksFallDue, sectionLevel, type SectionLevel } from './section-level';
export { placeRows, type PlaceRow } from './way-rows';
export {
  barsOfPlaces,
  HIGHEST,
  LEAVES_AT,
  isBehind,
  kindOf,
  paysAlong,
  standsAt,
  walkedWay,
  type LevelAt,
  type WalkedKind,
  type WalkedPlace,
} from './walked-way';
