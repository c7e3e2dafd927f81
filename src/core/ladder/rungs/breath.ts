import { inScope, one } from '../rung-facts';
import type { RungRule } from './rung-rule';

/** Where to breathe, before the line is played as one. */
export const breath: RungRule = {
  inWeek: 'rung',
  once: false,
  propose: (f) =>
    f.breathes && f.content.notes > 0 && inScope(f, 'phrase', 'section', 'whole')
      ? [
          one(
            'breath',
            f.sings
              ? 'Show each breath, then sing from breath to breath'
              : 'Show each breath, then play from breath to breath',
            '',
            f.start,
            2,
            'twice, no breath anywhere else',
            'the line goes from breath to breath',
          ),
        ]
      : [],
};
