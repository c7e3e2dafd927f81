import { both, inScope, one } from '../rung-facts';
import type { RungRule } from './rung-rule';

/** Slurs and touches. */
export const articulation: RungRule = {
  inWeek: 'rung',
  once: false,
  propose: (f) =>
    f.content.touches && inScope(f, 'section', 'whole')
      ? [
          one(
            'articulation',
            'Every slur and touch as printed',
            both(f),
            Math.round((f.start + f.target) / 2),
            3,
            'heard by someone else',
            'slurs or touches are printed here',
          ),
        ]
      : [],
};
