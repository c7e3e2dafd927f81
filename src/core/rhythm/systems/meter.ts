import { fraction, type Fraction } from '../../score';
import type { BeatPlace, CountingSystem } from './count-system';

/**
 * Syllable of a place inside a beat, as a part of the beat: 0 the number, 1/2 "&", 1/4 "e", 3/4 "a", thirds "la" "li"
 * **[common practice]**.
 */
export function meterSyllable(place: Fraction, beat: BeatPlace): string {
  const at = `${place.n}/${place.d}`;
  if (place.n === 0) return String(beat.number);
  if (beat.compound) return at === '1/3' ? 'la' : at === '2/3' ? 'li' : place.d === 6 || at === '1/2' ? 'ta' : 'ti';
  switch (at) {
    case '1/2':
      return '&';
    case '1/4':
      return 'e';
    case '3/4':
      return 'a';
    case '1/3':
      return 'la';
    case '2/3':
      return 'li';
    default:
      return place.d === 8 || place.d === 6 ? 'ta' : 'ti';
  }
}

/** By the number of the beat in its bar. */
export const meter: CountingSystem = {
  label: '1 e & a',
  task: 'say the count',
  namesBeats: true,
  say: ({ place, beat }) => [{ text: meterSyllable(place, beat), after: fraction(0) }],
};
