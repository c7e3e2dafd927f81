import { one, doneBy, handsApart } from '../rung-facts';
import type { RungRule } from './rung-rule';

/** One hand, where there are two and they are learned apart. */
export const rightAlone: RungRule = {
  inWeek: 'rung',
  once: false,
  propose: (f) =>
    handsApart(f)
      ? [one('right-alone', 'Right hand alone', 'right', f.start, f.times, doneBy(f), 'one problem at a time')]
      : [],
};
