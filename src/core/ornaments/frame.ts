import { add, compare, fraction, multiply, subtract, type Fraction } from '../score';
import { FASTEST_NOTES_PER_SECOND, type OrnamentNote, type OrnamentStyle } from './ornament';

/** A note with an ornament on it: where, how long, between which neighbours, and in which style. */
export interface Frame {
  readonly start: Fraction;
  readonly length: Fraction;
  readonly main: number;
  readonly upper: number;
  readonly lower: number;
  readonly style: OrnamentStyle;
  readonly tempo: number;
  /** The note before is the upper neighbour, and is joined on. */
  readonly upperBefore: boolean;
  /** A termination is written out after it, or the next note is reached by step. */
  readonly terminates: boolean;
}

/** Length of the quick notes: thirty-seconds, or sixteenth triplets, sixteenths where they would be too fast. */
export function quick({ style, tempo, length }: Frame): Fraction {
  if (style === 'measured')
    return compare(length, fraction(1, 2)) < 0 ? multiply(length, fraction(1, 4)) : fraction(1, 8);
  for (const n of [8, 6, 4])
    if ((tempo / 60) * n <= FASTEST_NOTES_PER_SECOND)
      return compare(length, fraction(4, n)) < 0 ? multiply(length, fraction(1, 4)) : fraction(1, n);
  return multiply(length, fraction(1, 4));
}

/** Pitches one after another, each `each` long; the last holds to the end of the frame. */
export function row(frame: Frame, pitches: readonly number[], each: Fraction): OrnamentNote[] {
  let at = frame.start;
  const end = add(frame.start, frame.length);
  return pitches.map((midi, i) => {
    const duration = i === pitches.length - 1 ? subtract(end, at) : each;
    const note = { onset: at, duration, midi };
    at = add(at, each);
    return note;
  });
}
