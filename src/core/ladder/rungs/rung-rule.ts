import type { ProposedRung, RungFacts } from '../rung-facts';

/** What the tool must know of a kind of rung; a kind is added by one file and its line in `rungs.ts`. */
export interface RungRule {
  /** What it counts as in a week: technique comes first, corners on more days than other rungs. */
  readonly inWeek: 'technique' | 'corner' | 'rung';
  /** Done once a day, however many times it asks for in itself. */
  readonly once: boolean;
  /** The rungs of this kind that these bars ask for; none where they do not. */
  readonly propose: (facts: RungFacts) => readonly ProposedRung[];
}
