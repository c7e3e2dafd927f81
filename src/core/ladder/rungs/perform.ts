import { both, inScope, one } from '../rung-facts';
import type { RungRule } from './rung-rule';

/** For someone else. */
export const perform: RungRule = {
  inWeek: 'rung',
  once: false,
  propose: (f) =>
    f.scope === 'piece' || (f.firstOfPiece && f.lastOfPiece && inScope(f, 'section', 'whole'))
      ? [
          one(
            'perform',
            'For someone',
            both(f),
            f.target,
            1,
            'played to the end',
            'a first performance before the real one',
          ),
        ]
      : [],
};
