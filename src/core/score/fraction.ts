/**
 * Exact rational numbers, always reduced, denominator positive. Used while reading (before the common
 * tick is known) and for printing quarter notes. Numerators and denominators stay safe integers for every
 * input the readers let through (see limits in `musicxml`).
 */
export interface Fraction {
  readonly n: number;
  readonly d: number;
}

export function gcd(a: number, b: number): number {
  let x = Math.abs(a);
  let y = Math.abs(b);
  while (y > 0) [x, y] = [y, x % y];
  return x;
}

/**
 * Least common multiple of two positive whole numbers.
 *
 * @example lcm(4, 6) // → 12
 */
export const lcm = (a: number, b: number): number => (a / gcd(a, b)) * b;

/**
 * A fraction in lowest terms, its sign above the line.
 *
 * @throws never; a zero denominator is a bug in the caller and gives 0/1.
 *
 * @example fraction(6, 8) // → { n: 3, d: 4 }
 */
export function fraction(n: number, d = 1): Fraction {
  if (d === 1) return { n, d };
  if (d === 0) return { n: 0, d: 1 };
  const g = gcd(n, d) || 1;
  const sign = d < 0 ? -1 : 1;
  return { n: (sign * n) / g || 0, d: (sign * d) / g };
}

export const ZERO: Fraction = { n: 0, d: 1 };

/**
 * Sum of two fractions, reduced.
 *
 * @example add({ n: 1, d: 2 }, { n: 1, d: 3 }) // → { n: 5, d: 6 }
 */
export const add = (a: Fraction, b: Fraction): Fraction =>
  a.d === b.d ? fraction(a.n + b.n, a.d) : fraction(a.n * b.d + b.n * a.d, a.d * b.d);

/**
 * Difference of two fractions, reduced.
 *
 * @example subtract({ n: 1, d: 2 }, { n: 1, d: 3 }) // → { n: 1, d: 6 }
 */
export const subtract = (a: Fraction, b: Fraction): Fraction => add(a, { n: -b.n, d: b.d });

/**
 * Product of two fractions, reduced.
 *
 * @example multiply({ n: 3, d: 4 }, { n: 2, d: 3 }) // → { n: 1, d: 2 }
 */
export const multiply = (a: Fraction, b: Fraction): Fraction => fraction(a.n * b.n, a.d * b.d);

/**
 * Negative, zero or positive as the first is less than, as large as, or larger than the second.
 *
 * @example compare({ n: 2, d: 4 }, { n: 1, d: 2 }) // → 0
 */
export const compare = (a: Fraction, b: Fraction): number => a.n * b.d - b.n * a.d;

/**
 * The larger of two fractions.
 *
 * @example max({ n: 1, d: 2 }, { n: 2, d: 3 }) // → { n: 2, d: 3 }
 */
export const max = (a: Fraction, b: Fraction): Fraction => (compare(a, b) >= 0 ? a : b);

/**
 * `"3"`, `"1/2"`, `"7/3"`: whole numbers without a denominator.
 *
 * @example fractionText({ n: 3, d: 2 }) // → '3/2'
 */
export const fractionText = (value: Fraction): string => (value.d === 1 ? String(value.n) : `${value.n}/${value.d}`);

/**
 * Reads a decimal such as `"2"` or `"0.5"` exactly; null when it is not a plain decimal number.
 *
 * @example decimalFraction('1.5') // → { n: 3, d: 2 }
 */
export function decimalFraction(text: string): Fraction | null {
  const match = /^\s*([+-]?)(\d{0,15})(?:\.(\d{0,9}))?\s*$/.exec(text);
  if (!match || (match[2] === '' && (match[3] ?? '') === '')) return null;
  const decimals = match[3] ?? '';
  const value = Number(`${match[2] || '0'}${decimals}`);
  if (!Number.isSafeInteger(value)) return null;
  return fraction(match[1] === '-' ? -value : value, 10 ** decimals.length);
}
