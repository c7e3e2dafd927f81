import { inScope, one, doneBy } from '../rung-facts';
import type { RungRule } from './rung-rule';

/** Both hands without stops. */
export const together: RungRule = {
  inWeek: 'rung',
  once: false,
  propose: (f) =>
    inScope(f, 'unit', 'section') && f.content.isPlayed && f.content.hands.length >= 2
      ? [one('together', 'Hands together without stops', 'both', f.start, f.times, doneBy(f), 'both hands as one')]
      : [],
};
