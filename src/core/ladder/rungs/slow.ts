import { both, doneBy, inScope, one, type ProposedRung, type RungFacts } from '../rung-facts';
import type { RungRule } from './rung-rule';

/** An ornament, first without it. */
function ornament(f: RungFacts): readonly ProposedRung[] {
  const [bar] = f.content.ornaments;
  if (bar === undefined || !inScope(f, 'section', 'unit')) return [];
  const measured = f.teaching.trills === 'measured';
  return [
    one(
      'slow',
      `The ornament of ${f.barOf(bar)}: without it, then with it${measured ? ', measured' : ''}`,
      both(f),
      f.start,
      3,
      'the beat stays',
      'an ornament is printed',
      { key: 'slow ornament', bars: [bar, bar] },
    ),
  ];
}

/** Slowly with the metronome, before anything is asked of tempo or memory. */
export const slow: RungRule = {
  inWeek: 'rung',
  once: false,
  propose: (f) => [
    ...ornament(f),
    ...(f.content.isPlayed && inScope(f, 'phrase', 'section', 'whole', 'piece')
      ? [
          one(
            'slow',
            f.scope === 'piece' ? 'From beginning to end, slowly with the metronome' : 'Slowly with the metronome',
            both(f),
            f.start,
            f.scope === 'piece' ? 2 : f.times,
            f.scope === 'piece' ? 'twice without a stop' : doneBy(f),
            'where it is right slowly it stays right',
            { key: 'slow metronome' },
          ),
        ]
      : []),
  ],
};
