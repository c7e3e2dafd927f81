import type { Instrument } from './instrument';
import { german } from './recorder-charts';

export const altoRecorderGerman: Instrument = {
  name: 'alto recorder, German fingering',
  names: ['alto-recorder-german'],
  sounds: [],
  programs: [],
  family: 'woodwind',
  technique: 'wind',
  fingers: {
    kind: 'wind',
    name: 'alto recorder, German fingering',
    chart: german('alto recorder, German', 65),
    counts: 'sounding',
  },
  range: [65, 91],
  transposition: 0,
  clefs: ['treble'],
  breathes: true,
  strums: false,
  weakBelow: 70,
  warmUps: ['Long notes, each a breath, from the middle outwards'],
  startMap: 'keys',
};
