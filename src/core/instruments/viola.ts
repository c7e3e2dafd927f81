import { openStrings, type Instrument } from './instrument';

export const viola: Instrument = {
  name: 'viola',
  names: ['bratsche', 'alto à cordes', 'vla', 'va', 'altviool', 'alto viola', 'violas', 'violen', 'bratschen', 'viole'],
  sounds: ['strings.viola'],
  programs: [41],
  family: 'bowed',
  technique: 'bowed',
  fingers: { kind: 'bowed', name: 'viola', strings: openStrings(69, 62, 55, 48), frame: 'diatonic' },
  range: [48, 91],
  transposition: 0,
  clefs: ['alto', 'treble'],
  breathes: false,
  strums: false,
  weakBelow: null,
  warmUps: ['Long bows on open strings, then the scale of the piece in whole bows'],
  startMap: 'strings',
};
