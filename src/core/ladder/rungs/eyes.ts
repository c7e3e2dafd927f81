import { both, inScope, one } from '../rung-facts';
import type { RungRule } from './rung-rule';

/** Reading on while playing. */
export const eyes: RungRule = {
  inWeek: 'rung',
  once: false,
  propose: (f) =>
    f.seesHands && f.teaching.reading === 'reading' && f.level !== 'advanced' && inScope(f, 'section', 'whole')
      ? [
          one(
            'eyes',
            'Eyes on the page all the way',
            both(f),
            f.start,
            2,
            'no look at the hands',
            'the first two times at the hands, from now on at the page',
          ),
        ]
      : [],
};
