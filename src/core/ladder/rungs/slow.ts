import { both, inScope, one } from '../rung-facts';
import type { RungRule } from './rung-rule';

/** An ornament, first without it. */
export const slow: RungRule = {
  inWeek: 'rung',
  once: false,
  propose: (f) => {
    const [bar] = f.content.ornaments;
    if (bar === undefined || !inScope(f, 'section', 'phrase')) return [];
    const measured = f.teaching.trills === 'measured';
    return [
      one(
        'slow',
        `The ornament of bar ${f.numberOf(bar)}: without it, then with it${measured ? ', measured' : ''}`,
        both(f),
        f.start,
        3,
        'the beat stays',
        'an ornament is printed',
        {
          key: 'slow ornament',
          bars: [bar, bar],
        },
      ),
    ];
  },
};
