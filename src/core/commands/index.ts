/**
 * What can be done. In: what is stored at that moment, what is asked for, the clock. Out: changes of rows and new
 * records that belong together, or a refusal with a code and a sentence. Bars are indexes from 0, tempos quarters a
 * minute.
 */
export {
  type Asks,
  type Command,
  type EventAsk,
  type Moment,
  type Outcome,
  type RowAsk,
  type RowChange,
  type RowToPut,
  type Stored,
  type StoredNow,
} from './command';
export { carryToCopies, copiesOf } from './marks/carry-to-copies';
export { dropMark } from './marks/drop-mark';
export { movePencil } from './marks/move-pencil';
export { placeMark } from './marks/place-mark';
export { putMarks } from './marks/put-marks';
export { setFingers, type FingerAt } from './marks/set-fingers';
export { setWords } from './marks/set-words';
export { takeMarks } from './marks/take-marks';
export { acceptSections } from './sections/accept-sections';
export { changeSection } from './sections/change-section';
export { joinSections } from './sections/join-sections';
export { makeSection } from './sections/make-section';
export { moveSectionCut } from './sections/move-cut';
export { moveSectionEnds } from './sections/move-ends';
export { removeSection } from './sections/remove-section';
export { splitSection } from './sections/split-section';
export { buildLadders } from './ladder/build-ladders';
export { changeRungs, type RungEdit } from './ladder/change-rungs';
export { type LadderSetting } from './ladder/ladder-context';
export { settleOwnLadder } from './ladder/own-ladder';
export { setTarget } from './ladder/set-target';
export { keepTemplate, shareOwnRungs, addTemplate } from './ladder/templates';
export { beginLesson } from './lesson/begin-lesson';
export { correctRecord, type Correction } from './lesson/correct-record';
export { correctPractice, type CorrectPractice } from './lesson/correct-practice';
export { logPractice, type LogPractice } from './lesson/log-practice';
export { putDownLesson } from './lesson/put-down-lesson';
export { ONLY_A_LEVEL, recordLevel, type HeardNow } from './lesson/record-level';
export { sayInLesson } from './lesson/say-in-lesson';
export { takeBackLesson } from './lesson/take-back-lesson';
export { takeBackRecord } from './lesson/take-back-record';
export { tickRung } from './lesson/tick-rung';
export { takeHome, type TakeHome } from './home/take-home';
export { arrangeWay, type WayEdit } from './way/arrange-way';
export { changePlace, type PlaceEdit } from './way/change-place';
export { takeWay } from './way/take-way';
export { addExercise } from './exercise/add-exercise';
export { type NewExercise } from './exercise/exercise-rows';
export { giveWeek, type Week, type WeekEdit } from './week/give-week';
export { addStudent } from './people/add-student';
export { bringBack, removeStudent } from './people/remove-student';
export { changeStudent, type StudentChange } from './people/change-student';
export { bringInPiece, type ReadPiece } from './pieces/bring-in-piece';
export { setPlayer, type SetPlayer } from './pieces/set-player';
export { changePiece, type PieceChange } from './pieces/change-piece';
export { addPage, removePage } from './pieces/pages';
export { bringInPages, type BringInPages, type PagePicture } from './pieces/bring-in-pages';
export { changePaper, type ChangePaper } from './pieces/change-paper';
export { preparePiece } from './pieces/prepare-piece';
export { givePiece } from './people/give-piece';
export { removePiece } from './pieces/remove-piece';
export { setDocument } from './pieces/set-document';
export { changeSettings, freshSettings, type SettingsChange } from './files/change-settings';
