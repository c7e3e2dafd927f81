import { valved } from './brass-chart';
import type { Instrument } from './instrument';

export const tuba: Instrument = {
  name: 'tuba',
  names: ['basstuba', 'bombardon', 'sousaphone', 'tb', 'bass tuba', 'eb bass', 'bb bass', 'contrabass tuba'],
  sounds: ['brass.tuba', 'brass.sousaphone'],
  programs: [58],
  family: 'brass',
  technique: 'wind',
  fingers: {
    kind: 'wind',
    name: 'tuba',
    chart: valved('tuba', [{ fundamental: 22, prefix: '', main: () => true }], true),
    counts: 'sounding',
  },
  range: [28, 62],
  transposition: 0,
  clefs: ['bass'],
  breathes: true,
  strums: false,
  weakBelow: null,
  warmUps: ['Buzz the lips, then long notes and slurs on one set of valves or one position'],
  startMap: 'keys',
};
