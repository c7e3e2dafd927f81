import { inScope, one } from '../rung-facts';
import type { RungRule } from './rung-rule';

/** The bow or the strum by itself, before the other hand has anything to do. */
export const stroke: RungRule = {
  inWeek: 'rung',
  once: false,
  propose: (f) => {
    if (f.stroke === null || f.level === 'advanced' || !inScope(f, 'unit', 'section')) return [];
    const isNew = f.content.newRhythms.length > 0;
    if (f.stroke === 'bow' && !isNew) return [];
    if (f.stroke === 'strum' && f.content.chordChanges.length === 0 && !isNew) return [];
    return [
      one(
        'stroke',
        f.stroke === 'bow' ? 'The bow alone: the rhythm on one open string' : 'The strum alone, on one chord',
        f.stroke === 'bow' ? '' : 'right',
        f.start,
        2,
        'twice without a stop',
        isNew ? 'one hand learns a new rhythm before two do' : 'the strum goes on while the chords change',
      ),
    ];
  },
};
