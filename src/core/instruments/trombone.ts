import { slide } from './brass-chart';
import type { Instrument } from './instrument';

export const trombone: Instrument = {
  name: 'trombone',
  names: ['posaune', 'trombón', 'tenor trombone', 'bass trombone', 'tbn', 'trb'],
  sounds: ['brass.trombone'],
  programs: [57],
  family: 'brass',
  technique: 'wind',
  fingers: { kind: 'wind', name: 'trombone', chart: slide('trombone', 34), counts: 'sounding' },
  range: [40, 72],
  transposition: 0,
  clefs: ['bass', 'tenor'],
  breathes: true,
  strums: false,
  weakBelow: null,
  warmUps: ['Buzz the lips, then long notes and slurs on one set of valves or one position'],
  startMap: 'keys',
};
