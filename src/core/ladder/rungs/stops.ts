import { one } from '../rung-facts';
import type { RungRule } from './rung-rule';

/** Both hands with a stop before each bar line. */
export const stops: RungRule = {
  inWeek: 'rung',
  once: false,
  propose: (f) =>
    f.scope === 'section' && f.level !== 'advanced' && f.content.notes > 0 && f.content.hands.length >= 2
      ? [
          one(
            'stops',
            'Hands together, stop at each bar line',
            'both',
            Math.min(f.start, Math.max(30, Math.round(f.start * 0.9))),
            f.times,
            '3 in a row, fingers as marked',
            'the bar line is where the hand prepares',
          ),
        ]
      : [],
};
