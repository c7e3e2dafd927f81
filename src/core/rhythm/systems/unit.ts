import { fraction, multiply, type Fraction } from '../../score';
import type { BeatPlace, CountingSystem, Said } from './count-system';
import { meterSyllable } from './meter';

/** Numbers of a note counted by its own length: `1`, `1 2`, `1 2 3`; shorter ones say where they fall in the beat. */
export function unitNumbers(beats: Fraction, place: Fraction, beat: BeatPlace): readonly Said[] {
  const whole = Math.floor(beats.n / beats.d);
  if (whole < 1)
    return [{ text: place.n === 0 ? '1' : meterSyllable(place, { ...beat, number: 1 }), after: fraction(0) }];
  return Array.from({ length: whole }, (_, i) => ({ text: String(i + 1), after: multiply(fraction(i), fraction(1)) }));
}

/** Each note by its own length. */
export const unit: CountingSystem = {
  label: 'each note by its length',
  task: 'say each length',
  namesBeats: false,
  say: ({ place, beats, beat }) => unitNumbers(beats, place, beat),
};
