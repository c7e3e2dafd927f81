import { fraction, type Fraction, ZERO, add } from './fraction';
import type { Meter, MeterPart } from './model';

/**
 * Nominal length of a bar in quarter notes; 0 for a free meter. 6/8 is 3, 3+2/8 is 5/2.
 *
 * @example meterQuarters(simpleMeter(6, 8)) // → { n: 3, d: 1 }
 */
export function meterQuarters(meter: Meter): Fraction {
  return meter.parts.reduce(
    (sum, part) => add(sum, fraction(4 * part.groups.reduce((a, b) => a + b, 0), part.unit)),
    ZERO,
  );
}

/**
 * `4/4`, `3+2/8`, `2/4+3/8`, `free`.
 *
 * @example meterText(simpleMeter(3, 4)) // → '3/4'
 */
export const meterText = (meter: Meter): string =>
  meter.parts.length === 0 ? 'free' : meter.parts.map((part) => `${part.groups.join('+')}/${part.unit}`).join('+');

/**
 * A meter of one group of beats.
 *
 * @example simpleMeter(3, 4).parts // → [{ groups: [3], unit: 4 }]
 */
export const simpleMeter = (beats: number, unit: number): Meter => ({
  parts: [{ groups: [beats], unit }],
  symbol: null,
});

/**
 * Reads `4/4`, `3+2/8`, `2/4+3/8`, `C`, `C|`, `free`; null when it is none of these.
 * A numerator runs from 1 to 64, the unit is a power of two up to 64.
 *
 * @example parseMeter('3+2/8').parts // → [{ groups: [3, 2], unit: 8 }]
 */
export function parseMeter(text: string): Meter | null {
  const trimmed = text.trim();
  if (trimmed === 'free' || trimmed === 'none') return { parts: [], symbol: null };
  if (trimmed === 'C') return { parts: [{ groups: [4], unit: 4 }], symbol: 'common' };
  if (trimmed === 'C|') return { parts: [{ groups: [2], unit: 2 }], symbol: 'cut' };
  const pieces = trimmed.replace(/\s+/g, '').match(/\(?\d+(?:\+\d+)*\)?\/\d+/g);
  if (!pieces || pieces.join('+') !== trimmed.replace(/\s+/g, '')) return null;
  const parts = pieces.map((piece) => {
    const [top = '', bottom = ''] = piece.replace(/[()]/g, '').split('/');
    return { groups: top.split('+').map(Number), unit: Number(bottom) };
  });
  const good = parts.every(
    (part) => [1, 2, 4, 8, 16, 32, 64].includes(part.unit) && part.groups.every((g) => g >= 1 && g <= 64),
  );
  return good ? { parts, symbol: null } : null;
}

/** From so many parts on a bar that is no multiple of three has beats of two lengths. */
const UNEVEN_FROM = 5;

/**
 * Whether the beats of a numerator could be of two lengths, and the print does not say how they follow: 5/8, 7/8, 8/8.
 *
 * @example hasUnsaidGroups({ groups: [5], unit: 8 }) // → true
 */
export const hasUnsaidGroups = ({ groups, unit }: MeterPart): boolean => {
  const [count = 0] = groups;
  return groups.length === 1 && unit >= 8 && count >= UNEVEN_FROM && count % 3 !== 0;
};

/**
 * Beats of a bar of this meter as lengths in quarters, in order: 4/4 is four of 1, 6/8 two of 3/2,
 * 7/8 written 2+2+3 is 1, 1, 3/2, and 5/8 without groups or a pulse of its own is 3+2 **[common practice]**.
 * A compound meter is a numerator of 6, 9, 12, … over 8 or shorter (or over 4 for 6/4, 9/4).
 *
 * @example meterBeats(simpleMeter(6, 8)) // → [{ n: 3, d: 2 }, { n: 3, d: 2 }]
 */
export function meterBeats(meter: Meter): Fraction[] {
  return meter.parts.flatMap((part) => {
    const total = part.groups.reduce((a, b) => a + b, 0);
    if (part.pulse) return part.pulse.map((g) => fraction(4 * g, part.unit));
    if (part.groups.length > 1 && part.unit >= 8) return part.groups.map((g) => fraction(4 * g, part.unit));
    if (total % 3 === 0 && total > 3 && part.unit >= 4)
      return Array.from({ length: total / 3 }, () => fraction(12, part.unit));
    if (part.unit >= 8 && total === 3) return [fraction(12, part.unit)];
    if (part.unit >= 8 && total >= 5 && total % 2 === 1)
      return [fraction(12, part.unit), ...Array.from({ length: (total - 3) / 2 }, () => fraction(8, part.unit))];
    return Array.from({ length: total }, () => fraction(4, part.unit));
  });
}
