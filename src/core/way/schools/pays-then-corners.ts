import type { RootPhrase } from '../roots';
import { hardestOf } from './corners';
import { byPay } from './sameness';
import type { SchoolRule } from './school-rule';

/** The phrases of a section stay together, the section with the hardest corner first; the rest as in the piece. */
function sectionsByCorner(roots: readonly RootPhrase[]): readonly RootPhrase[] {
  const hardest = new Map<number, number>();
  for (const r of roots) hardest.set(r.section, Math.max(hardest.get(r.section) ?? 0, hardestOf(r)));
  const of = (r: RootPhrase): number => hardest.get(r.section) ?? 0;
  return [...roots].sort((a, b) => of(b) - of(a) || a.index - b.index);
}

/** What comes back first, by what it pays; of what comes once the sections with corners, then the rest. */
export const paysThenCorners: SchoolRule = {
  label: 'what pays first, then the corners',
  why: 'least work for most of the piece, then what will cost the time; from the third level on',
  cornersApart: false,
  order: (roots) => [
    ...byPay(roots.filter((r) => r.times > 1)),
    ...sectionsByCorner(roots.filter((r) => r.times === 1)),
  ],
};
