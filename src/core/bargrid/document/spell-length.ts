import { compare, fraction, multiply, subtract, type Fraction } from '../../score';

const VALUES: readonly (readonly [string, Fraction])[] = [
  ['breve', { n: 8, d: 1 }],
  ['whole', { n: 4, d: 1 }],
  ['half', { n: 2, d: 1 }],
  ['quarter', { n: 1, d: 1 }],
  ['eighth', { n: 1, d: 2 }],
  ['16th', { n: 1, d: 4 }],
  ['32nd', { n: 1, d: 8 }],
  ['64th', { n: 1, d: 16 }],
  ['128th', { n: 1, d: 32 }],
];

export interface Written {
  readonly value: string | null;
  readonly dots: number;
  readonly quarters: Fraction;
}

/**
 * A written length as note values to be tied: 5/2 quarters is a half and an eighth. Lengths no values make are left
 * unnamed.
 */
export function spellLength(quarters: Fraction): Written[] {
  const pieces: Written[] = [];
  let left = quarters;
  while (left.n > 0 && pieces.length < 8) {
    let found: Written | null = null;
    for (const [value, base] of VALUES) {
      for (const dots of [2, 1, 0]) {
        const length = multiply(base, fraction(2 ** (dots + 1) - 1, 2 ** dots));
        const fits = compare(length, left);
        if (fits === 0 || (fits < 0 && dots === 0)) {
          found = { value, dots, quarters: length };
          break;
        }
      }
      if (found) break;
    }
    if (!found) return [{ value: null, dots: 0, quarters }];
    pieces.push(found);
    left = subtract(left, found.quarters);
  }
  return pieces.length > 0 && left.n === 0 ? pieces : [{ value: null, dots: 0, quarters }];
}
