import { fraction, type Fraction } from '../../score';
import type { CountingSystem } from './count-system';

/** Whole beats of a note as `ta-a-a`; a half beat more is an `i`: `ta-i` for a dotted quarter. */
export function lengthSyllable(beats: Fraction, place: Fraction, compound: boolean): string {
  const whole = Math.floor(beats.n / beats.d);
  if (whole >= 1) {
    const half = beats.n / beats.d - whole >= 0.5;
    return `ta${'-a'.repeat(whole - 1)}${half ? '-i' : ''}`;
  }
  const at = `${place.n}/${place.d}`;
  if (compound) {
    if (place.d === 6) return 'ka';
    return 'ti';
  }
  if (place.d === 3 || (place.n === 0 && beats.d === 3)) return place.n === 0 ? 'tri' : place.n === 1 ? 'o' : 'la';
  if (at === '1/4' || at === '3/4') return 'ka';
  // A dotted eighth carries its sixteenth: tim-ka.
  if (beats.n === 3 && beats.d === 4) return 'tim';
  return 'ti';
}

/** By the length of the note, with a syllable for each. */
export const syllables: CountingSystem = {
  label: 'ta, ti-ti',
  task: 'say ta and ti-ti',
  namesBeats: false,
  say: ({ place, beats, beat, sounding }) => [
    { text: sounding ? lengthSyllable(beats, place, beat.compound) : 'sh', after: fraction(0) },
  ],
};
