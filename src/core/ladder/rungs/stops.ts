import { both, inScope, one, type RungFacts } from '../rung-facts';
import type { RungRule } from './rung-rule';

/** Three times, and with what is prepared at each stop. */
const doneAtStops = ({ sings, strikes }: RungFacts): string =>
  sings ? '3 in a row, the next note in mind' : `3 in a row, ${strikes ? 'sticking' : 'fingers'} as marked`;

/** With a stop at each join, where the next place is made ready. */
export const stops: RungRule = {
  inWeek: 'rung',
  once: false,
  propose: (f) =>
    inScope(f, 'phrase', 'section') && f.level !== 'advanced' && f.content.isPlayed
      ? [
          one(
            'stops',
            f.content.hands.length >= 2
              ? 'Hands together, stop at each join, set the hands, go on'
              : 'Stop at each join, get the next place ready, go on',
            both(f),
            Math.min(f.start, Math.max(30, Math.round(f.start * 0.9))),
            f.times,
            doneAtStops(f),
            'the stop is where the next place is prepared',
          ),
        ]
      : [],
};
