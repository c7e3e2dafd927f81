import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { add, compare, decimalFraction, fraction, fractionText, multiply, subtract } from './fraction';

const any = fc
  .tuple(fc.integer({ min: -5000, max: 5000 }), fc.integer({ min: 1, max: 960 }))
  .map(([n, d]) => fraction(n, d));

describe('fractions', () => {
  it('are reduced and keep the sign above', () => expect(fraction(6, -4)).toEqual({ n: -3, d: 2 }));
  it('print whole numbers without a denominator', () =>
    expect([fractionText(fraction(3)), fractionText(fraction(7, 3))]).toEqual(['3', '7/3']));
  it('read decimals exactly', () => expect(decimalFraction('0.375')).toEqual({ n: 3, d: 8 }));
  it('refuse what is not a number', () =>
    expect(['', 'x', '1e3', 'NaN', '--1'].map(decimalFraction)).toEqual([null, null, null, null, null]));
  it('add and take away to the same', () =>
    fc.assert(fc.property(any, any, (a, b) => compare(subtract(add(a, b), b), a) === 0)));
  it('multiply over addition', () =>
    fc.assert(
      fc.property(
        any,
        any,
        any,
        (a, b, c) => compare(multiply(a, add(b, c)), add(multiply(a, b), multiply(a, c))) === 0,
      ),
    ));
});
