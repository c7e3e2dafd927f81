import { one, doneBy, handsApart } from '../rung-facts';
import type { RungRule } from './rung-rule';

/** One hand, where there are two and they are learned apart. */
export const leftAlone: RungRule = {
  inWeek: 'rung',
  once: false,
  propose: (f) =>
    handsApart(f)
      ? [one('left-alone', 'Left hand alone', 'left', f.start, f.times, doneBy(f), 'one problem at a time')]
      : [],
};
