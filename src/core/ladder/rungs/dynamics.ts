import { both, inScope, one } from '../rung-facts';
import type { RungRule } from './rung-rule';

/** Loud and soft, as printed or as the teacher marked them; the shape of the line where nothing says it. */
export const dynamics: RungRule = {
  inWeek: 'rung',
  once: false,
  propose: (f) =>
    inScope(f, 'section', 'whole') && f.content.notes > 0
      ? [
          one(
            'dynamics',
            f.content.dynamics
              ? 'Dynamics as printed'
              : f.ownDynamics
                ? 'Dynamics as marked'
                : 'Shape it: grow to the top of the line, round off its end',
            both(f),
            f.teaching.dynamics === 'start' ? f.start : Math.round((f.start + f.target) / 2),
            3,
            'heard by someone else',
            f.content.dynamics
              ? 'dynamics are printed here'
              : f.ownDynamics
                ? 'you marked dynamics here'
                : 'nothing is printed: the line itself says where it goes',
          ),
        ]
      : [],
};
