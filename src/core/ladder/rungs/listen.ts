import { inScope, one } from '../rung-facts';
import type { RungRule } from './rung-rule';

/** By ear before by eye, where a piece is taught by rote. */
export const listen: RungRule = {
  inWeek: 'rung',
  once: false,
  propose: (f) =>
    f.teaching.reading === 'rote' && inScope(f, 'unit', 'section')
      ? [one('listen', 'Listen and sing it back', '', f.target, 2, 'sung back once', 'this piece is learned by ear')]
      : [],
};
