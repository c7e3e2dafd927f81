import type { SchoolRule } from './school-rule';

/** From the start, in the order of the piece. */
export const start: SchoolRule = {
  label: 'from the start',
  why: 'as it is heard and read; for the first years, when the story of the piece carries the learning',
  cornersApart: false,
  order: (roots) => roots,
};
