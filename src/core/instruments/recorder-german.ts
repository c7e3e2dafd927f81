import type { Instrument } from './instrument';
import { german } from './recorder-charts';

export const recorderGerman: Instrument = {
  name: 'recorder, German fingering',
  names: ['recorder-german', 'german recorder'],
  sounds: [],
  programs: [],
  family: 'woodwind',
  technique: 'wind',
  fingers: {
    kind: 'wind',
    name: 'recorder, German fingering',
    chart: german('soprano recorder, German', 72),
    counts: 'sounding',
  },
  range: [72, 98],
  transposition: 12,
  clefs: ['treble'],
  breathes: true,
  strums: false,
  weakBelow: 77,
  warmUps: ['Long notes, each a breath, from the middle outwards'],
  startMap: 'keys',
};
