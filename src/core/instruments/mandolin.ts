import { fretted, type Instrument } from './instrument';

export const mandolin: Instrument = {
  name: 'mandolin',
  names: ['mandoline', 'mandolino', 'mandolina', 'mandolins'],
  sounds: ['pluck.mandolin'],
  programs: [],
  family: 'fretted',
  technique: 'fretted',
  fingers: fretted('mandolin', [76, 69, 62, 55], 20),
  range: [55, 96],
  transposition: 0,
  clefs: ['treble'],
  breathes: false,
  strums: true,
  weakBelow: null,
  warmUps: ['Each chord of the piece set and lifted, without strumming'],
  startMap: 'strings',
};
