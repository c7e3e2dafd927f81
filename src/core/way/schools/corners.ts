import type { RootPhrase } from '../roots';
import type { SchoolRule } from './school-rule';

/** Of a phrase without a corner, none. */
export const hardestOf = (root: RootPhrase): number => Math.max(0, ...root.corners.map((c) => c.score));

/** The corners first, hardest first, each with its phrase; the rest in the order of the piece. */
export const corners: SchoolRule = {
  label: 'the corners first',
  why: 'what will cost the time is begun while there is most of it',
  cornersApart: true,
  order: (roots) => [...roots].sort((a, b) => hardestOf(b) - hardestOf(a) || a.index - b.index),
};
