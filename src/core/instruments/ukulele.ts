import { fretted, type Instrument } from './instrument';

export const ukulele: Instrument = {
  name: 'ukulele',
  names: ['uke', 'soprano ukulele', 'concert ukulele', 'tenor ukulele', 'baritone ukulele'],
  sounds: ['pluck.ukulele'],
  programs: [],
  family: 'fretted',
  technique: 'fretted',
  fingers: fretted('ukulele', [69, 64, 60, 67], 15),
  range: [60, 84],
  transposition: 0,
  clefs: ['treble'],
  breathes: false,
  strums: true,
  weakBelow: null,
  warmUps: ['Each chord of the piece set and lifted, without strumming'],
  startMap: 'strings',
};
