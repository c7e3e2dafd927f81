import { both, inScope, one } from '../rung-facts';
import type { RungRule } from './rung-rule';

/** Loud and soft, as printed or as the teacher marked them. */
export const dynamics: RungRule = {
  inWeek: 'rung',
  once: false,
  propose: (f) =>
    (f.content.dynamics || f.ownDynamics) && inScope(f, 'section', 'phrase')
      ? [
          one(
            'dynamics',
            f.content.dynamics ? 'Dynamics as printed' : 'Dynamics as marked',
            both(f),
            f.teaching.dynamics === 'start' ? f.start : Math.round((f.start + f.target) / 2),
            3,
            'heard by someone else',
            f.content.dynamics ? 'dynamics are printed here' : 'you marked dynamics here',
          ),
        ]
      : [],
};
