import { valved } from './brass-chart';
import type { Instrument } from './instrument';

export const horn: Instrument = {
  name: 'horn',
  names: [
    'french horn',
    'waldhorn',
    'cor',
    'cor d’harmonie',
    'corno',
    'trompa',
    'horn in f',
    'hn',
    'hrn',
    'horn in eb',
    'cornes',
    'corni',
    'hörner',
    'trompas',
  ],
  sounds: ['brass.french-horn', 'brass.natural-horn'],
  programs: [60],
  family: 'brass',
  technique: 'wind',
  fingers: {
    kind: 'wind',
    name: 'horn',
    chart: valved(
      'horn',
      [
        { fundamental: 36, prefix: '', main: (key) => key < 68 },
        // The B flat side takes over from written G sharp above middle C's octave.
        { fundamental: 41, prefix: 'T', main: (key) => key >= 68, avoidsFifth: true },
      ],
      false,
    ),
    counts: 'written',
  },
  range: [41, 77],
  transposition: -7,
  clefs: ['treble'],
  breathes: true,
  strums: false,
  weakBelow: null,
  warmUps: ['Buzz the lips, then long notes and slurs on one set of valves or one position'],
  startMap: 'keys',
};
