import { fraction, meterQuarters, parseMeter, type Fraction } from '../score';
import type { Grid } from './grid';
import { parseQuarters } from './grid-to-draft';

const USUAL = fraction(4);

/**
 * How long each bar of a grid is in quarters, by its id; a pick-up as long as it is said to be.
 *
 * @example barLengths({ pickup: '1', bars: [{ id: 'g1', meter: '3/4' }, { id: 'g2' }] }).get('g2') // → { n: 3, d: 1 }
 */
export function barLengths({ pickup, bars }: Pick<Grid, 'pickup' | 'bars'>): ReadonlyMap<string, Fraction> {
  const first = parseQuarters(pickup) ?? fraction(0);
  let length = USUAL;
  return new Map(
    bars.map((bar, i) => {
      const meter = bar.meter === undefined ? null : parseMeter(bar.meter);
      const quarters = meter ? meterQuarters(meter) : length;
      if (quarters.n > 0) length = quarters;
      return [bar.id, i === 0 && first.n > 0 ? first : length] as const;
    }),
  );
}
