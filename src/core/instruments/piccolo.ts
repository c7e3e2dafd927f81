import { FLUTE_CHART } from './flute';
import type { Instrument } from './instrument';

export const piccolo: Instrument = {
  name: 'piccolo',
  names: ['piccolo flute', 'flauto piccolo', 'ottavino', 'pikkoloflöte', 'petite flûte', 'flautín', 'picc'],
  sounds: ['wind.flutes.flute.piccolo', 'wind.flutes.piccolo'],
  programs: [72],
  family: 'woodwind',
  technique: 'wind',
  fingers: { kind: 'wind', name: 'piccolo', chart: FLUTE_CHART, counts: 'written' },
  range: [74, 108],
  transposition: 12,
  clefs: ['treble'],
  breathes: true,
  strums: false,
  weakBelow: 79,
  warmUps: ['Long notes, each a breath, from the middle outwards'],
  startMap: 'keys',
};
