/**
 * A piece without a score file: text in the ABC form, or a bar grid laid out by the teacher.
 * In: characters, or bar counts and meters. Out: a MusicXML document as text, with warnings naming bar and voice.
 */
export type { Draft, DraftBar, DraftEvent, DraftPart, DraftTempo } from './draft';
export { plainEvent } from './draft';
export { draftToMusicXml } from './draft-to-musicxml';
export { readAbc, type ReadAbc } from './read-abc';
export {
  changeBar,
  emptyGrid,
  freshNumber,
  GRID_CLEFS,
  insertBar,
  parseGrid,
  removeBar,
  sameBars,
  typedAt,
  type Grid,
  type GridBar,
  type GridRequest,
} from './grid';
export { gridToDraft } from './grid-to-draft';
export { barLengths } from './bar-lengths';
