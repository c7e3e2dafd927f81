import { COUNTING } from '../../rhythm';
import { inScope, one, type RungFacts } from '../rung-facts';
import type { RungRule } from './rung-rule';

/** Those who begin say everything; those with some years what is new; words that are sung cannot be counted. */
const isSaid = (f: RungFacts): boolean =>
  !f.breathes && (f.level === 'beginner' || (f.level === 'intermediate' && f.content.newRhythms.length > 0));

/** Played and counted aloud. */
export const playAndSay: RungRule = {
  inWeek: 'rung',
  once: false,
  propose: (f) =>
    isSaid(f) && f.content.isPlayed && inScope(f, 'unit', 'section')
      ? [
          one(
            'play-and-say',
            `Play and ${COUNTING[f.teaching.counting].task}`,
            '',
            f.start,
            2,
            'twice without a stop',
            'saying it keeps the beat',
          ),
        ]
      : [],
};
