/**
 * The four ways of counting. What is struck is said; a beat that is held or rested is a silent token. Meter counting
 * and takadimi name the place in the beat, unit counting and syllables the length of the note. Takadimi: Hoffman, Pelto
 * and White, "Takadimi: a beat-oriented system of rhythm pedagogy", Journal of Music Theory Pedagogy 10 (1996).
 */
import { fraction, multiply, type Fraction } from '../score';

export type CountSystem = 'unit' | 'meter' | 'syllables' | 'takadimi';
export const COUNT_SYSTEMS: readonly CountSystem[] = ['unit', 'meter', 'syllables', 'takadimi'];

interface BeatPlace {
  readonly number: number;
  readonly compound: boolean;
}

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

/**
 * Places of a beat in takadimi: simple beats divide in two and four, compound ones in three and six; borrowed divisions
 * keep their names.
 */
const TAKADIMI: Readonly<Record<string, string>> = {
  '0/1': 'ta',
  '1/2': 'di',
  '1/4': 'ka',
  '3/4': 'mi',
  '1/3': 'ki',
  '2/3': 'da',
  '1/6': 'va',
  '5/6': 'ma',
  // Quintuplets and septuplets, from the article's irregular divisions.
  '1/5': 'ka',
  '2/5': 'di',
  '3/5': 'mi',
  '4/5': 'ti',
  '1/7': 'va',
  '2/7': 'ki',
  '3/7': 'di',
  '4/7': 'da',
  '5/7': 'ma',
  '6/7': 'ti',
};

export function takadimiSyllable(place: Fraction): string {
  const named = TAKADIMI[`${place.n}/${place.d === 0 ? 1 : place.d}`];
  if (named !== undefined) return named;
  // Half of a named place: the eighths of a beat take the syllable of the place before them, doubled in speech.
  return TAKADIMI[`${place.n - 1}/${place.d}`] ?? (place.d === 8 ? 'ka' : 'ta');
}

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

/** Numbers of a note counted by its own length: `1`, `1 2`, `1 2 3`; shorter ones say where they fall in the beat. */
export function unitNumbers(
  beats: Fraction,
  place: Fraction,
  beat: BeatPlace,
): readonly { readonly text: string; readonly after: Fraction }[] {
  const whole = Math.floor(beats.n / beats.d);
  if (whole < 1)
    return [{ text: place.n === 0 ? '1' : meterSyllable(place, { ...beat, number: 1 }), after: fraction(0) }];
  return Array.from({ length: whole }, (_, i) => ({ text: String(i + 1), after: multiply(fraction(i), fraction(1)) }));
}
