import { valved } from './brass-chart';
import type { Instrument } from './instrument';

export const trumpet: Instrument = {
  name: 'trumpet',
  names: ['trompete', 'trompette', 'tromba', 'trompeta', 'trumpet in bb', 'flugelhorn', 'tpt', 'trp'],
  sounds: ['brass.trumpet', 'brass.flugelhorn'],
  programs: [56, 59],
  family: 'brass',
  technique: 'wind',
  fingers: {
    kind: 'wind',
    name: 'trumpet',
    chart: valved('trumpet', [{ fundamental: 48, prefix: '', main: () => true }], false),
    counts: 'written',
  },
  range: [52, 84],
  transposition: -2,
  clefs: ['treble'],
  breathes: true,
  strums: false,
  weakBelow: null,
  warmUps: ['Buzz the lips, then long notes and slurs on one set of valves or one position'],
  startMap: 'keys',
};
