import { isAugmentedSixth, isDiminished, isDominant, type Chord } from './chord-kinds';
import { leadsTo } from './chord-in-key';
import { isMinorMode, MODE_SCALES, RELATIVE_MAJOR, type MusicalKey } from './keys';

const SHARP = ['C', 'C#', 'D', 'D#', 'E', 'F', 'F#', 'G', 'G#', 'A', 'A#', 'B'];
const FLAT = ['C', 'Db', 'D', 'Eb', 'E', 'F', 'Gb', 'G', 'Ab', 'A', 'Bb', 'B'];
const LETTERS = ['C', 'D', 'E', 'F', 'G', 'A', 'B'];
/** Natural pitch classes of the letters C to B. */
export const NATURAL = [0, 2, 4, 5, 7, 9, 11];
const SIGNS: Readonly<Record<number, string>> = { 0: '', 1: '#', 2: '##', 10: 'bb', 11: 'b' };
/** Tonics of major keys that are written with flats. */
const FLAT_MAJOR = new Set([5, 10, 3, 8, 1]);

/** Whether the signature of a key has flats. */
export const usesFlats = (key: MusicalKey): boolean => FLAT_MAJOR.has((key.tonic + RELATIVE_MAJOR[key.mode]) % 12);

/**
 * `F#` or `Gb` as the key would have it; in a minor key the raised leading note is a sharp, whatever its signature.
 *
 * @example rootName(10, { tonic: 5, mode: 'major' }) // → 'Bb'
 */
export function rootName(pc: number, key: MusicalKey): string {
  if (key.mode === 'minor' && (pc - key.tonic + 12) % 12 === 11) return SHARP[pc] ?? '?';
  return (usesFlats(key) ? FLAT : SHARP)[pc] ?? '?';
}

/** A pitch class written with a letter, 0 for C to 6 for B: 8 with G is `G#`, with A `Ab`. */
export const spelledName = (pc: number, letter: number): string =>
  `${LETTERS[letter] ?? '?'}${SIGNS[(pc - (NATURAL[letter] ?? 0) + 12) % 12] ?? '?'}`;

const NUMERALS = ['I', 'II', 'III', 'IV', 'V', 'VI', 'VII'];
type Degree = readonly [number, '' | '♭' | '♯'];
const MAJOR_DEGREES: readonly Degree[] = [
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
const MINOR_DEGREES: readonly Degree[] = [
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
const SEVENTH_FIGURES = ['7', '65', '43', '42', '42'];
const AUGMENTED_SIXTHS: Readonly<Record<string, string>> = {
  'italian-sixth': 'It6',
  'french-sixth': 'Fr43',
  'german-sixth': 'Ger65',
};

const degreesOf = (key: MusicalKey): readonly Degree[] => (isMinorMode(key.mode) ? MINOR_DEGREES : MAJOR_DEGREES);

/** The seven degrees of a key, of minor the natural ones: what a dominant or leading-note chord may lead to. */
const scaleOf = (key: MusicalKey): readonly number[] =>
  key.mode === 'minor' ? [0, 2, 3, 5, 7, 8, 10] : MODE_SCALES[key.mode];

function numeralOf(semitones: number, key: MusicalKey, small: boolean): string {
  const [degree, sign] = degreesOf(key)[semitones] ?? [0, ''];
  // The leading-note chord of a minor key stands on its raised seventh without saying so.
  const plain = key.mode === 'minor' && semitones === 11 ? '' : sign;
  const numeral = NUMERALS[degree] ?? '';
  return `${plain}${small ? numeral.toLowerCase() : numeral}`;
}

/**
 * Roman numeral of a chord in a key with its inversion: `I`, `V7`, `ii6`, `vii°65`; `V7/V` and `vii°7/V` for what leads
 * to another degree, `N6` for the Neapolitan, `Ger65` for an augmented sixth.
 */
export function degreeName(chord: Chord, inversion: number, key: MusicalKey): string {
  const { kind } = chord;
  const up = (chord.root - key.tonic + 12) % 12;
  const augmented = AUGMENTED_SIXTHS[kind.name];
  if (augmented !== undefined && isAugmentedSixth(kind.name)) return augmented;
  const added = kind.quality === 'add6' || kind.quality === 'sus4';
  const seventh = !added && kind.tones.length >= 4;
  const ninth = kind.tones.length === 5;
  const figures = ninth && inversion === 0 ? '9' : ((seventh ? SEVENTH_FIGURES : TRIAD_FIGURES)[inversion] ?? '');
  const suffix = `${added ? '' : kind.quality}${figures}${added ? kind.quality : ''}`;
  if (up === 1 && kind.name === 'major') return `N${figures}`;
  const target = leadsTo(chord, key);
  const leads = isDominant(kind.name) || isDiminished(kind.name);
  const own = isDominant(kind.name) ? up === 7 : up === 11 || (up === 2 && isMinorMode(key.mode));
  if (leads && !own && target !== null && target !== 0 && scaleOf(key).includes(target) && !plainDegree(chord, key)) {
    const of = numeralOf(target, key, false);
    return isDominant(kind.name) ? `V${suffix}/${of}` : `vii${suffix}/${of}`;
  }
  return `${numeralOf(up, key, kind.minor)}${suffix}`;
}

/** A diminished chord that is simply one of the key’s own. */
const plainDegree = ({ root, kind }: Chord, key: MusicalKey): boolean => {
  const scale = scaleOf(key);
  return isDiminished(kind.name) && kind.tones.every((t) => scale.includes((root + t - key.tonic + 24) % 12));
};
