import { CLARINET_CHART } from './clarinet';
import type { Instrument } from './instrument';

export const bassClarinet: Instrument = {
  name: 'bass clarinet',
  names: [
    'bassklarinette',
    'clarinette basse',
    'clarinetto basso',
    'clarinete bajo',
    'bass-clarinet',
    'bcl',
    'contrabass clarinet',
    'contra alto clarinet',
    'kontrabassklarinette',
    'clarinete baixo',
  ],
  sounds: ['wind.reed.clarinet.bass'],
  programs: [],
  family: 'woodwind',
  technique: 'wind',
  fingers: { kind: 'wind', name: 'bass clarinet', chart: CLARINET_CHART, counts: 'written' },
  range: [36, 77],
  transposition: -14,
  clefs: ['treble'],
  breathes: true,
  strums: false,
  weakBelow: null,
  warmUps: ['Long notes, each a breath, from the middle outwards'],
  startMap: 'keys',
};
