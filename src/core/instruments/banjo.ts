import { fretted, type Instrument } from './instrument';

export const banjo: Instrument = {
  name: 'banjo',
  names: ['five-string banjo', '5-string banjo', 'bluegrass banjo'],
  sounds: ['pluck.banjo'],
  programs: [105],
  family: 'fretted',
  technique: 'fretted',
  fingers: fretted('banjo', [62, 59, 55, 50, 67], 22, [0, 0, 0, 0, 5]),
  range: [50, 86],
  transposition: -12,
  clefs: ['treble-8'],
  breathes: false,
  strums: true,
  weakBelow: null,
  warmUps: ['Each chord of the piece set and lifted, without strumming'],
  startMap: 'strings',
};
