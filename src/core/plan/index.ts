/**
 * The week between two lessons. In: what a student works on, standings, minutes a day (0 Monday to 6 Sunday). Out: what
 * to hear, what to practise on which days and what is left out, and a recap in plain words. Minutes are decimals,
 * tempos quarters a minute.
 */
export { nextRung, sectionsToHear, weekCandidates, type ToHear, type WorkedPiece } from './candidates';
export { daysInWords, recapText, type RecapRequest } from './recap';
export { fillTray, MOST_RISE, risesTooFast, type Candidate, type Tray, type TrayItem } from './week-tray';
export { practiceWeeks, type PracticeWeek } from './practice-weeks';
