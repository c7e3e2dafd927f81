import { COUNTING } from '../../rhythm';
import { both, inScope, one } from '../rung-facts';
import type { RungRule } from './rung-rule';

/** A new rhythm, tapped and said. */
export const tap: RungRule = {
  inWeek: 'rung',
  once: false,
  propose: (f) =>
    (f.content.newRhythms.length > 0 || f.level === 'beginner') &&
    f.content.isPlayed &&
    f.level !== 'advanced' &&
    inScope(f, 'unit', 'section')
      ? [
          one(
            'tap',
            `Tap the rhythm and ${COUNTING[f.teaching.counting].task}`,
            both(f),
            f.start,
            2,
            'twice without a stop',
            f.content.newRhythms[0] === undefined
              ? 'said before it is played'
              : `a rhythm not met before in ${f.barOf(f.content.newRhythms[0])}`,
          ),
        ]
      : [],
};
