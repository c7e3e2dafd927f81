import { openStrings, type Instrument } from './instrument';

export const cello: Instrument = {
  name: 'cello',
  names: ['violoncello', 'violoncelle', 'violonchelo', 'vc', 'vlc'],
  sounds: ['strings.cello'],
  programs: [42],
  family: 'bowed',
  technique: 'bowed',
  fingers: { kind: 'bowed', name: 'cello', strings: openStrings(57, 50, 43, 36), frame: 'chromatic' },
  range: [36, 81],
  transposition: 0,
  clefs: ['bass', 'tenor'],
  breathes: false,
  strums: false,
  weakBelow: null,
  warmUps: ['Long bows on open strings, then the scale of the piece in whole bows'],
  startMap: 'strings',
};
