import { CLARINET_ROWS } from './clarinet';
import type { Instrument } from './instrument';
import { chartFrom } from './wind-chart';

/**
 * Below the clarinet's low E: a key for E flat on every bass clarinet, and on long ones keys down to C, which makers
 * put under either little finger or the right thumb. From written C below the staff.
 */
const BASS_CLARINET_CHART = chartFrom('bass clarinet', 'common practice; keys below E flat differ by maker', 48, [
  'T 123|456 E♭(R) thumbC',
  'T 123|456 E♭(R) thumbC♯',
  'T 123|456 E♭(R) thumbD; T 123|456 D(L)',
  'T 123|456 E♭(R); T 123|456 E♭(L)',
  ...CLARINET_ROWS,
]);

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
  fingers: { kind: 'wind', name: 'bass clarinet', chart: BASS_CLARINET_CHART, counts: 'written' },
  range: [34, 77],
  transposition: -14,
  clefs: ['treble'],
  breathes: true,
  strums: false,
  weakBelow: null,
  warmUps: ['Long notes, each a breath, from the middle outwards'],
  startMap: 'keys',
};
