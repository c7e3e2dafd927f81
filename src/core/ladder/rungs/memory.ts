import { both, inScope, one } from '../rung-facts';
import type { RungRule } from './rung-rule';

/** From memory, where it is asked. */
export const memory: RungRule = {
  inWeek: 'rung',
  once: false,
  propose: (f) =>
    f.teaching.memory === 'asked' && inScope(f, 'section', 'whole', 'piece')
      ? [
          one(
            'memory',
            'From memory',
            both(f),
            Math.round(f.target * 0.8),
            2,
            'twice without a stop',
            'from memory is asked',
          ),
        ]
      : [],
};
