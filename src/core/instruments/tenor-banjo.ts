import { fretted, type Instrument } from './instrument';

export const tenorBanjo: Instrument = {
  name: 'tenor banjo',
  names: ['four-string banjo', '4-string banjo', 'irish banjo', 'tenor-banjo'],
  sounds: ['pluck.banjo.tenor'],
  programs: [],
  family: 'fretted',
  technique: 'fretted',
  fingers: fretted('tenor banjo', [69, 62, 55, 48], 19),
  range: [48, 88],
  transposition: 0,
  clefs: ['treble'],
  breathes: false,
  strums: true,
  weakBelow: null,
  warmUps: ['Each chord of the piece set and lifted, without strumming'],
  startMap: 'strings',
};
