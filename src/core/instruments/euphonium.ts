import { valved } from './brass-chart';
import type { Instrument } from './instrument';

export const euphonium: Instrument = {
  name: 'euphonium',
  names: [
    'baritone',
    'baritone horn',
    'bariton',
    'tenorhorn',
    'tenor horn',
    'bombardino',
    'euph',
    'baritone t c',
    'baritone b c',
    'baritone tc',
    'baritone bc',
    'tenor tuba',
    'eufonio',
  ],
  sounds: ['brass.euphonium', 'brass.baritone'],
  programs: [],
  family: 'brass',
  technique: 'wind',
  fingers: {
    kind: 'wind',
    name: 'euphonium',
    chart: valved('euphonium', [{ fundamental: 34, prefix: '', main: () => true }], true),
    counts: 'sounding',
  },
  range: [40, 72],
  transposition: 0,
  clefs: ['bass'],
  breathes: true,
  strums: false,
  weakBelow: null,
  warmUps: ['Buzz the lips, then long notes and slurs on one set of valves or one position'],
  startMap: 'keys',
};
