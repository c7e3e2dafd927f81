import type { Instrument } from './instrument';
import { baroque } from './recorder-charts';

export const recorder: Instrument = {
  name: 'recorder',
  names: [
    'soprano recorder',
    'descant recorder',
    'blockflöte',
    'sopranblockflöte',
    'flûte à bec',
    'flauto dolce',
    'flauta dulce',
    'blokfluit',
    'tenor recorder',
    'tenorblockflöte',
    'flûte à bec ténor',
    'soprano rec',
  ],
  sounds: ['wind.flutes.recorder', 'wind.flutes.blown-bottle'],
  programs: [74],
  family: 'woodwind',
  technique: 'wind',
  fingers: { kind: 'wind', name: 'recorder', chart: baroque('soprano recorder', 72), counts: 'sounding' },
  range: [72, 98],
  transposition: 12,
  clefs: ['treble'],
  breathes: true,
  strums: false,
  weakBelow: 77,
  warmUps: ['Long notes, each a breath, from the middle outwards'],
  startMap: 'keys',
};
