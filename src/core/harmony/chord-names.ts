import type { KeySpan } from './find-keys';

/** A kind of chord: its tones above the root and how it is written. */
export interface ChordKind {
  readonly name: string;
  readonly tones: readonly number[];
  readonly suffix: string;
  /** Small roman numerals. */
  readonly minor: boolean;
  readonly figure: string;
}

export const CHORD_KINDS: readonly ChordKind[] = [
  { name: 'major', tones: [0, 4, 7], suffix: '', minor: false, figure: '' },
  { name: 'minor', tones: [0, 3, 7], suffix: 'm', minor: true, figure: '' },
  { name: 'dominant', tones: [0, 4, 7, 10], suffix: '7', minor: false, figure: '7' },
  { name: 'minor-seventh', tones: [0, 3, 7, 10], suffix: 'm7', minor: true, figure: '7' },
  { name: 'major-seventh', tones: [0, 4, 7, 11], suffix: 'maj7', minor: false, figure: 'M7' },
  { name: 'diminished', tones: [0, 3, 6], suffix: 'dim', minor: true, figure: '°' },
  { name: 'half-diminished', tones: [0, 3, 6, 10], suffix: 'm7b5', minor: true, figure: 'ø7' },
  { name: 'diminished-seventh', tones: [0, 3, 6, 9], suffix: 'dim7', minor: true, figure: '°7' },
  { name: 'augmented', tones: [0, 4, 8], suffix: '+', minor: false, figure: '+' },
];

const SHARP = ['C', 'C#', 'D', 'D#', 'E', 'F', 'F#', 'G', 'G#', 'A', 'A#', 'B'];
const FLAT = ['C', 'Db', 'D', 'Eb', 'E', 'F', 'Gb', 'G', 'Ab', 'A', 'Bb', 'B'];
/** Tonics that are written with flats. */
const FLAT_MAJOR = new Set([5, 10, 3, 8, 1]);
const FLAT_MINOR = new Set([2, 7, 0, 5, 10, 3]);

export const usesFlats = (key: Pick<KeySpan, 'tonic' | 'mode'>): boolean =>
  (key.mode === 'major' ? FLAT_MAJOR : FLAT_MINOR).has(key.tonic);

/**
 * `F#` or `Gb` as the key would have it; in a minor key the raised leading note is a sharp, whatever its signature.
 *
 * @example rootName(10, { tonic: 5, mode: 'major' }) // → 'Bb'
 */
export function rootName(pc: number, key: Pick<KeySpan, 'tonic' | 'mode'>): string {
  if (key.mode === 'minor' && (pc - key.tonic + 12) % 12 === 11) return SHARP[pc] ?? '?';
  return (usesFlats(key) ? FLAT : SHARP)[pc] ?? '?';
}

const NUMERALS = ['I', 'II', 'III', 'IV', 'V', 'VI', 'VII'];
const MAJOR_DEGREES: readonly (readonly [number, string])[] = [
  [0, ''],
  [1, '♭'],
  [1, ''],
  [2, '♭'],
  [2, ''],
  [3, ''],
  [3, '♯'],
  [4, ''],
  [5, '♭'],
  [5, ''],
  [6, '♭'],
  [6, ''],
];
const MINOR_DEGREES: readonly (readonly [number, string])[] = [
  [0, ''],
  [1, '♭'],
  [1, ''],
  [2, ''],
  [2, '♯'],
  [3, ''],
  [3, '♯'],
  [4, ''],
  [5, ''],
  [5, '♯'],
  [6, ''],
  [6, '♯'],
];

const TRIAD_FIGURES = ['', '6', '64'];
const SEVENTH_FIGURES = ['7', '65', '43', '42'];

/**
 * Roman numeral of a chord in a key with its inversion: `I`, `V7`, `ii6`, `vii°65`, `V7/V` for a dominant of another
 * degree.
 */
export function degreeName(
  root: number,
  kind: ChordKind,
  inversion: number,
  key: Pick<KeySpan, 'tonic' | 'mode'>,
): string {
  const up = (root - key.tonic + 12) % 12;
  const seventh = kind.tones.length === 4;
  const figures = seventh ? (SEVENTH_FIGURES[inversion] ?? '7') : (TRIAD_FIGURES[inversion] ?? '');
  const quality = kind.figure.replace('7', '').replace('M', seventh ? 'M' : '');
  // A major triad with a seventh on another degree than the fifth leads to the chord a fifth below.
  const scale = key.mode === 'major' ? [0, 2, 4, 5, 7, 9, 11] : [0, 2, 3, 5, 7, 8, 10];
  const target = (up + 5) % 12;
  if (kind.name === 'dominant' && up !== 7 && target !== 0 && scale.includes(target)) {
    const [degree] = (key.mode === 'major' ? MAJOR_DEGREES : MINOR_DEGREES)[target] ?? [0];
    return `V${figures}/${NUMERALS[degree] ?? ''}`;
  }
  const [degree, sign] = (key.mode === 'major' ? MAJOR_DEGREES : MINOR_DEGREES)[up] ?? [0, ''];
  // The leading-note chord of a minor key stands on its raised seventh without saying so.
  const plain = key.mode === 'minor' && up === 11 ? '' : sign;
  const numeral = NUMERALS[degree] ?? '';
  return `${plain}${kind.minor ? numeral.toLowerCase() : numeral}${quality}${figures}`;
}
