import { compare, fraction, simpleMeter, type Fraction, type Meter } from '../../score';

/** Bars that have to agree before a meter is told from their lengths. */
const FEWEST_BARS = 4;
/** Quarters of the longest bar that is taken for a meter; longer ones are lines of chant. */
const LONGEST = fraction(6);

export const FREE_UNSAID: Meter = { parts: [], symbol: null, ours: true };

const THREE_EIGHTHS = fraction(3, 2);

/** Meters of so many eighths whose beat may be a dotted quarter: 3/8 to 12/8. */
const COMPOUND: readonly number[] = [3, 6, 9, 12];

function ofLength(quarters: Fraction, beamed: readonly Fraction[]): Meter | null {
  const eighths = (quarters.n * 2) / quarters.d;
  const threes = beamed.filter((b) => compare(b, THREE_EIGHTHS) === 0).length;
  const compound = COMPOUND.includes(eighths) && threes > beamed.length - threes;
  if (compound || (Number.isInteger(eighths) && eighths % 2 === 1)) return simpleMeter(eighths, 8);
  if (quarters.d === 1) return simpleMeter(quarters.n, 4);
  const unit = quarters.d * 4;
  return unit <= 64 ? simpleMeter(quarters.n, unit) : null;
}

/**
 * The meter of bars that print none, by their lengths: at least four of the same length of six quarters or less have
 * the meter of that length, in three eighths where that is how they are beamed; others are free.
 */
export function unsaidMeter(lengths: readonly Fraction[], beamed: readonly Fraction[]): Meter {
  const [first] = lengths;
  const agree =
    first !== undefined &&
    first.n > 0 &&
    lengths.length >= FEWEST_BARS &&
    compare(first, LONGEST) <= 0 &&
    lengths.every((l) => compare(l, first) === 0);
  const meter = agree ? ofLength(first, beamed) : null;
  return meter === null ? FREE_UNSAID : { ...meter, ours: true };
}
