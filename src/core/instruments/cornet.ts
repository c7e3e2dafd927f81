import { valved } from './brass-chart';
import type { Instrument } from './instrument';

export const cornet: Instrument = {
  name: 'cornet',
  names: ['kornett', 'cornet à pistons', 'cornetta', 'corneta', 'soprano cornet', 'cornetto'],
  sounds: ['brass.cornet'],
  programs: [],
  family: 'brass',
  technique: 'wind',
  fingers: {
    kind: 'wind',
    name: 'cornet',
    chart: valved('trumpet', [{ fundamental: 48, prefix: '', main: () => true }], false),
    counts: 'written',
  },
  range: [52, 82],
  transposition: -2,
  clefs: ['treble'],
  breathes: true,
  strums: false,
  weakBelow: null,
  warmUps: ['Buzz the lips, then long notes and slurs on one set of valves or one position'],
  startMap: 'keys',
};
