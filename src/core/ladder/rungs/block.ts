import { both, inScope, one } from '../rung-facts';
import type { RungRule } from './rung-rule';

/** Chords set as one before they are played. */
export const block: RungRule = {
  inWeek: 'rung',
  once: false,
  propose: (f) =>
    f.content.chordBars > 0 && inScope(f, 'unit', 'section')
      ? [
          one(
            'block',
            'Set each chord on the keys or strings, then play it as one',
            both(f),
            null,
            2,
            'every shape found at once',
            f.content.chordBars === 1 ? 'a chord in one bar' : `chords in ${f.content.chordBars} bars`,
          ),
        ]
      : [],
};
