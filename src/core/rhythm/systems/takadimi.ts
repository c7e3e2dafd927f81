/**
 * Hoffman, Pelto and White, "Takadimi: a beat-oriented system of rhythm pedagogy", Journal of Music Theory Pedagogy 10
 * (1996).
 */
import { fraction, type Fraction } from '../../score';
import type { CountingSystem } from './count-system';

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

/** By the place in the beat, with a syllable for each. */
export const takadimi: CountingSystem = {
  label: 'takadimi',
  task: 'say takadimi',
  namesBeats: true,
  say: ({ place }) => [{ text: takadimiSyllable(place), after: fraction(0) }],
};
