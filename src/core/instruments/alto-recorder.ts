import type { Instrument } from './instrument';
import { baroque } from './recorder-charts';

export const altoRecorder: Instrument = {
  name: 'alto recorder',
  names: [
    'treble recorder',
    'altblockflöte',
    'flûte à bec alto',
    'flauto dolce contralto',
    'flauta dulce alto',
    'alto-recorder',
    'bass recorder',
    'sopranino recorder',
    'bassblockflöte',
    'sopraninoblockflöte',
    'flûte à bec basse',
  ],
  sounds: ['wind.flutes.recorder.alto'],
  programs: [],
  family: 'woodwind',
  technique: 'wind',
  fingers: { kind: 'wind', name: 'alto recorder', chart: baroque('alto recorder', 65), counts: 'sounding' },
  range: [65, 91],
  transposition: 0,
  clefs: ['treble'],
  breathes: true,
  strums: false,
  weakBelow: 70,
  warmUps: ['Long notes, each a breath, from the middle outwards'],
  startMap: 'keys',
};
