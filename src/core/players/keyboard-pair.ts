import type { Part, Score } from '../score';
import { notesOfPart } from './notes-of-part';
import { instrumentOfPart } from './part-instrument';

const meanKey = (score: Score, part: Part): number => {
  const keys = notesOfPart(score, part.id).flatMap((n) => (n.midi === null ? [] : [n.midi as number]));
  return keys.reduce((sum, k) => sum + k, 0) / Math.max(1, keys.length);
};

/** A name without the hand that it may name. */
const WITHOUT_HAND =
  /\b(right|left|rechts|links|rechte|linke|hand|rh|lh|r\.h\.|l\.h\.|upper|lower|treble|bass|droite|gauche|main)\b|[().,\s-]/gi;

/**
 * Whether two parts of one staff that follow one another are the two hands of one keyboard: both are a keyboard's, the
 * first lies higher, and they are called alike but for the hand.
 */
export const areTwoHands = (score: Score, upper: Part, lower: Part): boolean =>
  upper.staves === 1 &&
  lower.staves === 1 &&
  [upper, lower].every((p) => {
    const { instrument, by } = instrumentOfPart(score, p);
    return instrument === 'piano' && by !== 'nothing';
  }) &&
  upper.name.replace(WITHOUT_HAND, '') === lower.name.replace(WITHOUT_HAND, '') &&
  meanKey(score, upper) > meanKey(score, lower) + 5;
