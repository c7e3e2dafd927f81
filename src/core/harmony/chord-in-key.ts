import { CHORDS, isAugmentedSixth, isDiminished, isDominant, type Chord } from './chord-kinds';
import { isMinorMode, MODE_SCALES, type MusicalKey } from './keys';

/** Prices of a chord in a key, in beats: ours, set on the training pieces. */
export const IN_KEY = {
  tonic: 0.04,
  dominant: 0.05,
  subdominant: 0.06,
  supertonic: 0.19,
  submediant: 0.36,
  leading: 0.16,
  mediant: 0.36,
  subtonic: 0.3,
  /** A dominant or leading-note chord of another degree of the key. */
  secondary: 0.36,
  neapolitan: 0.4,
  augmentedSixth: 0.3,
  /** Of the parallel minor in major. */
  borrowed: 0.45,
  foreign: 1.0,
} as const;

/** What a kind costs wherever it stands: plain triads before sevenths and rarer kinds. */
const KIND_PRICES = {
  major: 0,
  minor: 0,
  dominant: 0.06,
  diminished: 0.48,
  'half-diminished': 0.28,
  'diminished-seventh': 0.22,
  'minor-seventh': 0.24,
  'major-seventh': 0.48,
  augmented: 0.6,
  'suspended-fourth': 0.62,
  'suspended-seventh': 0.7,
  'major-sixth': 1.44,
  'minor-sixth': 0.9,
  'dominant-ninth': 0.85,
  'dominant-minor-ninth': 0.75,
  'italian-sixth': 0.3,
  'french-sixth': 0.3,
  'german-sixth': 0.1,
} as const satisfies Record<Chord['kind']['name'], number>;

const DIATONIC_MAJOR: Readonly<Record<number, number>> = {
  0: IN_KEY.tonic,
  2: IN_KEY.supertonic,
  4: IN_KEY.mediant,
  5: IN_KEY.subdominant,
  7: IN_KEY.dominant,
  9: IN_KEY.submediant,
  11: IN_KEY.leading,
};
const DIATONIC_MINOR: Readonly<Record<number, number>> = {
  0: IN_KEY.tonic,
  2: IN_KEY.supertonic,
  3: IN_KEY.submediant,
  5: IN_KEY.subdominant,
  7: IN_KEY.dominant,
  8: IN_KEY.submediant,
  9: IN_KEY.mediant,
  10: IN_KEY.subtonic,
  11: IN_KEY.leading,
};
const BORROWED = new Set([3, 5, 8, 10]);

/** Semitones above the tonic of the degree that a dominant or leading-note chord leads to; null for other chords. */
export function leadsTo({ root, kind }: Chord, key: MusicalKey): number | null {
  const up = (root - key.tonic + 12) % 12;
  if (isDominant(kind.name) || kind.name === 'major' || kind.name === 'augmented') return (up + 5) % 12;
  if (isDiminished(kind.name)) return (up + 1) % 12;
  return null;
}

/** Whether all tones of a chord are of the key’s scale. */
export function isDiatonic({ root, kind }: Chord, key: MusicalKey): boolean {
  const scale: readonly number[] = MODE_SCALES[key.mode];
  return kind.tones.every((t) => scale.includes((root + t - key.tonic + 24) % 12));
}

function placePrice(chord: Chord, key: MusicalKey): number {
  const up = (chord.root - key.tonic + 12) % 12;
  const { name } = chord.kind;
  const minor = isMinorMode(key.mode);
  if (isAugmentedSixth(name))
    return up === 8 ? IN_KEY.augmentedSixth : up === 1 ? IN_KEY.augmentedSixth + 0.1 : IN_KEY.foreign;
  if (isDiatonic(chord, key)) {
    const plain = (minor ? DIATONIC_MINOR : DIATONIC_MAJOR)[up] ?? IN_KEY.mediant;
    // In a minor key the dominant has its leading note; without it stands the darker chord of the same degree.
    if (key.mode === 'minor' && up === 7 && name.startsWith('minor')) return plain + 0.2;
    return plain;
  }
  if (name === 'major' && up === 1) return IN_KEY.neapolitan;
  const target = leadsTo(chord, key);
  if (target !== null && (name !== 'major' || up !== 7)) {
    const scale: readonly number[] = MODE_SCALES[key.mode];
    // Of every degree but a diminished one; a plain major triad is weaker evidence of it than a seventh.
    if (target === 0 || (scale.includes(target) && target !== (minor ? 2 : 11) && target !== (minor ? 11 : -1)))
      return target === 0 ? 0.1 : IN_KEY.secondary + (name === 'major' ? 0.1 : 0);
  }
  if (!minor && BORROWED.has(up)) {
    const parallel: MusicalKey = { tonic: key.tonic, mode: 'minor' };
    if (isDiatonic(chord, parallel)) return IN_KEY.borrowed;
  }
  // The major tonic that closes a piece in minor.
  if (minor && up === 0 && name === 'major') return IN_KEY.borrowed;
  return IN_KEY.foreign;
}

/** What a chord costs in a key, in beats: 0 for its tonic and dominant. */
export const priceInKey = (chord: Chord, key: MusicalKey): number =>
  placePrice(chord, key) + KIND_PRICES[chord.kind.name];

const known = new WeakMap<MusicalKey, Float64Array>();

/** The same for every chord there is, by its number; kept with the key. */
export function pricesInKey(key: MusicalKey): Float64Array {
  const there = known.get(key);
  if (there) return there;
  const fresh = Float64Array.from(CHORDS, (c) => priceInKey(c, key));
  known.set(key, fresh);
  return fresh;
}

/** How much of that price a run of beats pays: it grows to two beats and no further. */
export const growthOfPrice = (beats: number): number => Math.sqrt(Math.min(2, beats));
