import type { SchoolRule } from './school-rule';

/** From the end backwards: by where the last of a family stands. */
export const end: SchoolRule = {
  label: 'from the end',
  why: 'every run leads into what is known better',
  cornersApart: false,
  order: (roots) => [...roots].sort((a, b) => b.last - a.last),
};
