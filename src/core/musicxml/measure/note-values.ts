import { fraction, multiply, type Fraction, type TimeModification } from '../../score';

/** Written values in quarters. */
const VALUE_QUARTERS: Readonly<Record<string, Fraction>> = {
  maxima: { n: 32, d: 1 },
  long: { n: 16, d: 1 },
  breve: { n: 8, d: 1 },
  whole: { n: 4, d: 1 },
  half: { n: 2, d: 1 },
  quarter: { n: 1, d: 1 },
  eighth: { n: 1, d: 2 },
  '16th': { n: 1, d: 4 },
  '32nd': { n: 1, d: 8 },
  '64th': { n: 1, d: 16 },
  '128th': { n: 1, d: 32 },
  '256th': { n: 1, d: 64 },
};

/** A written value with dots in quarters: dotted quarter 3/2, double-dotted half 7/2; null for an unknown value. */
export function valueQuarters(value: string, dots: number, modification: TimeModification | null): Fraction | null {
  const base = VALUE_QUARTERS[value];
  if (!base) return null;
  const factor = 2 ** Math.min(dots, 4);
  const dotted = multiply(base, fraction(2 * factor - 1, factor));
  return modification ? multiply(dotted, fraction(modification.normal, modification.actual)) : dotted;
}
