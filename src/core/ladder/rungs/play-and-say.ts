import { COUNTING } from '../../rhythm';
import { inScope, one } from '../rung-facts';
import type { RungRule } from './rung-rule';

/** Played and counted aloud. */
export const playAndSay: RungRule = {
  inWeek: 'rung',
  once: false,
  propose: (f) =>
    f.level === 'beginner' && f.content.notes > 0 && inScope(f, 'section')
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
