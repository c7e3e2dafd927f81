import type { Instrument } from './instrument';

export const other: Instrument = {
  name: 'another instrument',
  names: [],
  sounds: [],
  programs: [],
  family: 'other',
  technique: null,
  fingers: null,
  range: null,
  transposition: 0,
  clefs: ['treble'],
  breathes: false,
  strums: false,
  weakBelow: null,
  warmUps: [],
  startMap: 'none',
};
