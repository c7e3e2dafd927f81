import { inScope, one } from '../rung-facts';
import type { RungRule } from './rung-rule';

/** How one sits and holds, before anything else. */
export const posture: RungRule = {
  inWeek: 'rung',
  once: false,
  propose: (f) =>
    f.firstOfPiece && f.level !== 'advanced' && inScope(f, 'unit', 'section')
      ? [
          one(
            'posture',
            f.sings
              ? 'Check how you stand, then find the first note'
              : 'Check how you sit and hold, then find the first place',
            '',
            null,
            1,
            'found without looking',
            'the piece begins here',
          ),
        ]
      : [],
};
