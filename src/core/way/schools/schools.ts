import type { StudentLevel } from '../../ladder';
import type { WaySchool } from '../way';
import { corners } from './corners';
import { end } from './end';
import { ends } from './ends';
import { paysThenCorners } from './pays-then-corners';
import { sameness } from './sameness';
import type { SchoolRule } from './school-rule';
import { start } from './start';

/** Every school that can be chosen. */
export const SCHOOLS: Readonly<Record<WaySchool, SchoolRule>> = { start, end, ends, corners, sameness };

/**
 * What is followed where nothing is chosen: from the start with the copies drawn in while the story of the piece
 * carries the learning, what pays first for those who read ahead by themselves **[common practice]**.
 */
const USUAL: Readonly<Record<StudentLevel, SchoolRule>> = {
  beginner: start,
  intermediate: start,
  advanced: paysThenCorners,
};

/**
 * The rule of a school; where none is chosen, of what is usual at a level.
 *
 * @example schoolFor(null, 'beginner').label // → 'from the start'
 */
export const schoolFor = (school: WaySchool | null, level: StudentLevel): SchoolRule =>
  school === null ? USUAL[level] : SCHOOLS[school];
