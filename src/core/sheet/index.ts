/**
 * What goes home and comes back. In: a week as it was given, the pieces it is of, what was done. Out: what stands on
 * the sheet, in words; codes and files that carry what was done. Tempos in quarters a minute, minutes whole.
 */
export { answerFile } from './answer-file';
export { boxesADay } from './boxes-a-day';
export { inOrder, moreOf, nothingAtHome } from './done-at-home';
export { homeRecordPlace, PAPER, placeOfRecord, type HomeRecordPlace } from './home-record';
export { homeCode, type HomeCode } from './home-code';
export { chordSheet, type ChordLine, type ChordSegment } from './chord-sheet';
export { worksheet, type Worksheet } from './worksheet';
export type { PieceStudio, SheetStudio } from './kept-for-sheet';
export { tellingFor } from './child-words';
export {
  tasksAbout,
  weekName,
  weekSheet,
  type SheetExcerpt,
  type SheetPiece,
  type SheetRequest,
  type SheetStep,
  type SheetTask,
  type TaskAbout,
  type WeekSheet,
} from './week-sheet';
export { taskKey, weekKey } from './keys';
export { MOST_AT_HOME } from './most-at-home';
export { isFromHome, readAnswer, type AnswerProblem } from './read-answer';
export type { DoneAtHome, SentBack } from './sent-back';
