import { openStrings, type Instrument } from './instrument';

export const violin: Instrument = {
  name: 'violin',
  names: ['violine', 'geige', 'violon', 'violino', 'violín', 'fiddle', 'vln', 'vn', 'violin i', 'violin ii', 'viool'],
  sounds: ['strings.violin', 'strings.fiddle'],
  programs: [40, 110],
  family: 'bowed',
  technique: 'bowed',
  fingers: { kind: 'bowed', name: 'violin', strings: openStrings(76, 69, 62, 55), frame: 'diatonic' },
  range: [55, 100],
  transposition: 0,
  clefs: ['treble'],
  breathes: false,
  strums: false,
  weakBelow: null,
  warmUps: ['Long bows on open strings, then the scale of the piece in whole bows'],
  startMap: 'strings',
};
