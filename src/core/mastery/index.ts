/**
 * Levels and what holds. In: append-only events. Out: the standing of each student on each section, the level that what
 * was heard amounts to, when it is due again, lessons as they were. Times are ISO strings, tempos quarters a minute,
 * chances 0 to 1.
 */
export { askedFacets } from './asked';
export { chanceItHolds, dueState, type DueState, type Fading, type Hearing } from './fading';
export { foldEvents, heldEvents, standingKey, type FoldedRecords, type Standing } from './fold-events';
export { climbOf, type ClimbPoint } from './climb';
export { foldStandings, type FoldedStanding, type Hearings } from './fold-standing';
export { dueAtAGlance, glanceOf, packGlances, unpackGlances, type Glance, type PackedGlances } from './glance';
export { hardSections, type HardSection, type SectionLevels } from './hard-sections';
export {
  currentAssignment,
  foldLessons,
  heldSinceEarlier,
  lessonGoingOn,
  practiceOf,
  sectionsAskedFor,
  USUAL_LESSON_MINUTES,
  type Lesson,
} from './lessons';
export { isLevel, LEVEL_HEARD, LEVEL_NAMES } from './levels';
export { proposeLevel, type Heard, type ProposedLevel } from './propose-level';
export { startOfCopy, startOfReturn, type StartingLevel } from './starting-level';
export { tappedTempo } from './tapped-tempo';
