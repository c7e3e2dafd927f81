import { inScope, one } from '../rung-facts';
import type { RungRule } from './rung-rule';

/** Words in their rhythm. */
export const words: RungRule = {
  inWeek: 'rung',
  once: false,
  propose: (f) =>
    f.content.words && inScope(f, 'section', 'whole')
      ? [
          one(
            'words',
            f.sings
              ? 'Say the words in the rhythm, then sing them'
              : 'Say the words in the rhythm, then play and think them',
            '',
            f.start,
            2,
            'once without a stop',
            'words are printed here',
          ),
        ]
      : [],
};
