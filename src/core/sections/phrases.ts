import { isPickupBar, type Score } from '../score';
import type { Cut } from './cuts';
import { bestDivision } from './partition';

/** A phrase: bars both included, and how far before the bar line of `from` it begins, in ticks. */
export interface PhraseRange {
  readonly from: number;
  readonly to: number;
  readonly upbeat: number;
}

/**
 * What a phrase of so many bars costs: four bars are what one expects, two need a clear sign between them. Ours, set on
 * the training pieces.
 */
export const PHRASE_COST: readonly number[] = [9, 2.0, 0.8, 0.75, 0.25, 0.5, 0.5, 0.8, 0.6];
const LONGEST_PHRASE = 8;

/** Bars of a range as a teacher counts them: a pick-up bar is none. */
export const countedLength = (score: Score, from: number, to: number): number =>
  to - from + 1 - (from === 0 && to > 0 && isPickupBar(score) ? 1 : 0);

/** The phrases of the piece, which tile it: a best division on everything that speaks for a cut. */
export function phrasesOf(score: Score, cuts: readonly Cut[]): readonly PhraseRange[] {
  const last = score.bars.length - 1;
  const at = new Map(cuts.map((c) => [c.bar, c] as const));
  const pickup = isPickupBar(score);
  const { starts } = bestDivision(
    0,
    last,
    (bar) => at.get(bar)?.strength ?? 0,
    (from, to) => PHRASE_COST[countedLength(score, from, to)] ?? 2,
    (bar) => (at.get(bar)?.printed ?? false) && !(pickup && bar === 1),
    LONGEST_PHRASE + (pickup ? 1 : 0),
  );
  return starts.map((from, i) => ({
    from,
    to: (starts[i + 1] ?? last + 1) - 1,
    upbeat: from === 0 ? 0 : (at.get(from)?.upbeat ?? 0),
  }));
}
