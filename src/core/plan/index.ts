/**
 * The week between two lessons. In: what a student works on, standings, minutes a day (0 Monday to 6 Sunday). Out: what
 * to hear, what to practise on which days and what is left out, and a recap in plain words. Minutes are decimals,
 * tempos quarters a minute.
 */
export { atHome, type AtHome } from './at-home';
export { homeByPlace, type PlaceAtHome } from './home-by-place';
export { dayTasks, inOrderOfDay, type DayTask } from './day-tasks';
export { exerciseCandidates, EXERCISES, studyCandidates, type ExerciseToMake } from './exercise-candidates';
export { proposeExercises, type ExercisedPiece } from './propose-exercises';
export { nextRung, weekCandidates, type WorkedPiece } from './candidates';
export { nextThing, type NextFacts, type NextKind, type NextThing } from './next-thing';
export { sectionsToHear, type PieceToHear, type ToHear } from './to-hear';
export { taskRungs } from './task-rungs';
export { wayCandidates } from './way-candidates';
export { type WayWeek, type WayWork } from './way-work';
export { daysInWords, recapText, type RecapRequest } from './recap';
export { fillTray, MOST_RISE, risesTooFast, type Candidate, type Tray, type TrayItem } from './week-tray';
export { practiceWeeks, type PracticeWeek } from './practice-weeks';
