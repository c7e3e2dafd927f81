import { inScope, one } from '../rung-facts';
import type { RungRule } from './rung-rule';

/** With the other part. */
export const partner: RungRule = {
  inWeek: 'rung',
  once: false,
  propose: (f) =>
    f.content.accompanied && inScope(f, 'section', 'whole', 'piece')
      ? [
          one(
            'partner',
            `With ${f.content.partner}: a count-in, slowly, without repeats`,
            '',
            f.start,
            2,
            'to the end without a stop',
            'there is another part',
          ),
        ]
      : [],
};
