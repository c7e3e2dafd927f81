import { both, inScope, one } from '../rung-facts';
import type { RungRule } from './rung-rule';

/** A loop of each bar that is harder than the rest. */
export const corner: RungRule = {
  inWeek: 'corner',
  once: false,
  propose: (f) =>
    inScope(f, 'unit', 'section')
      ? f.content.corners.map((c) =>
          one(
            'corner',
            `Loop bar ${f.numberOf(c.bar)}${f.lastOfPiece && f.bars.endsWith(f.numberOf(c.bar)) ? '' : ' with the first note of the next'}`,
            both(f),
            f.start,
            f.times + 2,
            '4 in a row',
            c.reason,
            { key: `corner ${c.bar}`, bars: [c.bar, c.bar] },
          ),
        )
      : [],
};
