/** Keys and church modes: their scales and how strongly each tone belongs to them. Pitch classes 0 to 11. */
export type KeyMode = 'major' | 'minor' | 'dorian' | 'phrygian' | 'lydian' | 'mixolydian';

export interface MusicalKey {
  readonly tonic: number;
  readonly mode: KeyMode;
}

/** A stretch of bars in one key, both included; `tonic` is a pitch class. */
export interface KeySpan extends MusicalKey {
  readonly from: number;
  readonly to: number;
  /** From 0 to 1. */
  readonly certainty: number;
}

/** Semitones above the tonic that belong to a mode; minor with its raised sixth and seventh. */
export const MODE_SCALES = {
  major: [0, 2, 4, 5, 7, 9, 11],
  minor: [0, 2, 3, 5, 7, 8, 10, 11],
  dorian: [0, 2, 3, 5, 7, 9, 10],
  phrygian: [0, 1, 3, 5, 7, 8, 10],
  lydian: [0, 2, 4, 6, 7, 9, 11],
  mixolydian: [0, 2, 4, 5, 7, 9, 10],
} as const satisfies Record<KeyMode, readonly number[]>;

/** Whether a mode's tonic triad is minor. */
export const isMinorMode = (mode: KeyMode): boolean => MODE_SCALES[mode].some((tone) => tone === 3);

/** Semitones above the tonic of the major scale with the same signature, from the tonic of the mode. */
export const RELATIVE_MAJOR = {
  major: 0,
  minor: 3,
  dorian: 10,
  phrygian: 8,
  lydian: 7,
  mixolydian: 5,
} as const satisfies Record<KeyMode, number>;

/**
 * Probe-tone profiles of Krumhansl and Kessler, "Tracing the dynamic changes in perceived tonal organization in a
 * spatial representation of musical keys", Psychological Review 89 (1982), tonic first.
 */
export const KEY_PROFILES = {
  major: [6.35, 2.23, 3.48, 2.33, 4.38, 4.09, 2.52, 5.19, 2.39, 3.66, 2.29, 2.88],
  minor: [6.33, 2.68, 3.52, 5.38, 2.6, 3.53, 2.54, 4.75, 3.98, 2.69, 3.34, 3.17],
} as const;

/** A profile with the tones of two places changed for one another: what makes a mode of a key. */
function swapped(profile: readonly number[], a: number, b: number): readonly number[] {
  return profile.map((v, i) => (i === a ? (profile[b] ?? v) : i === b ? (profile[a] ?? v) : v));
}

export const MODE_PROFILES: Readonly<Record<KeyMode, readonly number[]>> = {
  major: KEY_PROFILES.major,
  minor: KEY_PROFILES.minor,
  dorian: swapped(KEY_PROFILES.minor, 8, 9),
  phrygian: swapped(KEY_PROFILES.minor, 1, 2),
  lydian: swapped(KEY_PROFILES.major, 5, 6),
  mixolydian: swapped(KEY_PROFILES.major, 10, 11),
};

/** The 24 major and minor keys, in the order of their numbers. */
export const KEYS: readonly MusicalKey[] = (['major', 'minor'] as const).flatMap((mode) =>
  Array.from({ length: 12 }, (_, tonic) => ({ tonic, mode })),
);

/** The key in force in a bar; C major where none is known. */
export function keyAt(keys: readonly KeySpan[], bar: number): KeySpan {
  return (
    keys.find((k) => bar >= k.from && bar <= k.to) ??
    keys[keys.length - 1] ?? { from: 0, to: 0, tonic: 0, mode: 'major', certainty: 0 }
  );
}
