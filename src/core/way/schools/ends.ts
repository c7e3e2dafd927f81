import type { SchoolRule } from './school-rule';

/** Both ends, then the middle. */
export const ends: SchoolRule = {
  label: 'both ends, then the middle',
  why: 'a sure beginning and a sure end hold a performance together',
  cornersApart: false,
  order: (roots) =>
    roots.map((_, i) => (i % 2 === 0 ? i / 2 : roots.length - (i + 1) / 2)).flatMap((i) => roots[i] ?? []),
};
