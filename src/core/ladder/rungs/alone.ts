import { inScope, one, doneBy } from '../rung-facts';
import type { RungRule } from './rung-rule';

/** One line, slowly: for pieces that are not for two hands. */
export const alone: RungRule = {
  inWeek: 'rung',
  once: false,
  propose: (f) =>
    inScope(f, 'unit', 'section') && f.content.isPlayed && f.content.hands.length < 2
      ? [
          one(
            'alone',
            f.sings
              ? 'Sing slowly, right notes'
              : f.level === 'beginner' && !f.breathes
                ? 'Play without saying, slowly'
                : f.strikes
                  ? 'Play slowly, every stroke in its place'
                  : 'Play slowly, right notes and fingers',
            '',
            f.start,
            f.times,
            doneBy(f),
            'right from the first time',
          ),
        ]
      : [],
};
