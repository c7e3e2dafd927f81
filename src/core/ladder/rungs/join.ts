import { both, one } from '../rung-facts';
import type { RungRule } from './rung-rule';

/** From the bar before. */
export const join: RungRule = {
  inWeek: 'rung',
  once: false,
  propose: (f) => {
    if (f.scope === 'join')
      return [
        one(
          'join',
          'Through the join without a stop',
          both(f),
          f.start,
          f.times,
          '3 in a row',
          'the join is learned with its neighbours',
        ),
      ];
    if (f.scope !== 'section' || f.firstOfPiece) return [];
    return [
      one(
        'join',
        'From the bar before into this section',
        both(f),
        f.start,
        f.times,
        '3 in a row',
        'the join is learned with the section',
      ),
    ];
  },
};
