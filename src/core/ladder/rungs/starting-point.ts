import { both, inScope, one } from '../rung-facts';
import type { RungRule } from './rung-rule';

/** Starts in every phrase, for playing from memory. */
export const startingPoint: RungRule = {
  inWeek: 'rung',
  once: false,
  propose: (f) =>
    f.teaching.memory === 'asked' && inScope(f, 'section', 'whole', 'piece')
      ? [
          one(
            'starting-point',
            'From each starting point, in the order they are drawn',
            both(f),
            Math.round(f.target * 0.8),
            3,
            'every start found at once',
            'a start in every phrase keeps it safe',
          ),
        ]
      : [],
};
