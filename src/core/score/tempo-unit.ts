import type { Fraction } from './fraction';
import { meterBeats } from './meter';
import type { Meter } from './model';

/** The beat that a tempo counts. */
export interface TempoUnit {
  /** Its length in quarters. */
  readonly quarters: number;
  /** As it is called: `dotted quarter`. */
  readonly name: string;
}

const QUARTER: TempoUnit = { quarters: 1, name: 'quarter' };

/** Beats that a metronome counts, by their length in quarters; others are counted in quarters. */
const UNITS: Readonly<Record<string, TempoUnit>> = {
  '1/2': { quarters: 1.5, name: 'dotted quarter' },
  '1/1': QUARTER,
  '3/2': { quarters: 1.5, name: 'dotted quarter' },
  '2/1': { quarters: 2, name: 'half' },
  '3/1': { quarters: 3, name: 'dotted half' },
  '4/1': { quarters: 4, name: 'whole' },
};

const faceOf = ({ n, d }: Fraction): string => `${n}/${d}`;

/**
 * The beat in which a tempo of this meter is said: dotted quarters in 6/8, halves in 2/2. Where beats are of two
 * lengths, and without a meter, quarters **[common practice]**.
 *
 * @example tempoUnit(simpleMeter(6, 8)) // → { quarters: 1.5, name: 'dotted quarter' }
 */
export function tempoUnit(meter: Meter): TempoUnit {
  const [first, ...others] = meterBeats(meter);
  if (!first || others.some((b) => faceOf(b) !== faceOf(first))) return QUARTER;
  return UNITS[faceOf(first)] ?? QUARTER;
}

/**
 * A tempo as it is said: whole beats a minute of quarters a minute.
 *
 * @example inBeats(90, { quarters: 1.5, name: 'dotted quarter' }) // → 60
 */
export const inBeats = (quartersAMinute: number, { quarters }: TempoUnit): number =>
  Math.round(quartersAMinute / quarters);

/**
 * A tempo as it is kept: whole quarters a minute of beats a minute. What was typed comes back as it was typed.
 *
 * @example inQuarters(60, { quarters: 1.5, name: 'dotted quarter' }) // → 90
 */
export const inQuarters = (beatsAMinute: number, { quarters }: TempoUnit): number =>
  Math.round(beatsAMinute * quarters);
