import type { Key, Step } from './model';

const SHARPS = 'FCGDAEB';
const MAJOR = ['C♭', 'G♭', 'D♭', 'A♭', 'E♭', 'B♭', 'F', 'C', 'G', 'D', 'A', 'E', 'B', 'F♯', 'C♯'];
const MINOR = ['A♭', 'E♭', 'B♭', 'F', 'C', 'G', 'D', 'A', 'E', 'B', 'F♯', 'C♯', 'G♯', 'D♯', 'A♯'];

/**
 * What the key signature does to a step, in semitones: F is 1 from one sharp on, B is -1 from one flat on.
 *
 * @example keyAlter({ fifths: 2 }, 'C') // → 1
 */
export function keyAlter(key: Pick<Key, 'fifths'>, step: Step): number {
  const place = SHARPS.indexOf(step);
  if (key.fifths > 0) return place < key.fifths ? 1 : 0;
  return 6 - place < -key.fifths ? -1 : 0;
}

/**
 * `G` or `F♯`: the tonic of the major (or minor) key of a signature; `?` past seven signs.
 *
 * @example majorTonic(-2) // → 'B♭'
 */
export const majorTonic = (fifths: number): string => MAJOR[fifths + 7] ?? '?';
/**
 * Name of the minor key of so many sharps (negative: flats).
 *
 * @example minorTonic(2) // → 'B'
 */
export const minorTonic = (fifths: number): string => MINOR[fifths + 7] ?? '?';

/**
 * Whether a key is minor; one that does not say is major.
 *
 * @example isMinor({ fifths: 0, mode: 'minor' }) // → true
 */
export const isMinor = (key: Key): boolean => key.mode === 'minor' || key.mode === 'aeolian';

/**
 * `G major`, `E minor`; a signature without a mode names both.
 *
 * @example keyName({ fifths: -3, mode: 'minor' }) // → 'C minor'
 */
export function keyName(key: Key): string {
  if (isMinor(key)) return `${minorTonic(key.fifths)} minor`;
  if (key.mode === 'major' || key.mode === 'ionian') return `${majorTonic(key.fifths)} major`;
  return key.mode === null
    ? `${majorTonic(key.fifths)} major or ${minorTonic(key.fifths)} minor`
    : `${key.mode}, ${Math.abs(key.fifths)} ${key.fifths < 0 ? 'flats' : 'sharps'}`;
}
