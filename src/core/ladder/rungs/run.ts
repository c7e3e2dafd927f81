import { both, inScope, one } from '../rung-facts';
import type { RungRule } from './rung-rule';

/** Through, from cold. */
export const run: RungRule = {
  inWeek: 'rung',
  once: false,
  propose: (f) =>
    inScope(f, 'section', 'whole', 'piece')
      ? [
          one(
            'run',
            f.scope === 'piece' ? 'From beginning to end' : 'Through once, from cold',
            both(f),
            f.target,
            1,
            'first try of the day',
            'secure means from cold',
          ),
        ]
      : [],
};
