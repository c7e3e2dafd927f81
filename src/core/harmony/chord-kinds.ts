/** Every kind of chord that is known, with its tones in semitones above the root. */
export type ChordKindName =
  | 'major'
  | 'minor'
  | 'diminished'
  | 'augmented'
  | 'suspended-fourth'
  | 'major-sixth'
  | 'minor-sixth'
  | 'dominant'
  | 'minor-seventh'
  | 'major-seventh'
  | 'half-diminished'
  | 'diminished-seventh'
  | 'suspended-seventh'
  | 'dominant-ninth'
  | 'dominant-minor-ninth'
  | 'italian-sixth'
  | 'french-sixth'
  | 'german-sixth';

export interface ChordKind {
  readonly name: ChordKindName;
  readonly tones: readonly number[];
  /** Letters that the tones are above the root: a third is two, a seventh six. The spelling tells kinds apart. */
  readonly letters: readonly number[];
  readonly suffix: string;
  /** Small roman numerals. */
  readonly minor: boolean;
  /** Sign of its quality beside the numeral. */
  readonly quality: '' | '°' | 'ø' | '+' | 'M' | 'sus4' | 'add6';
  /** What of it may be left out without its being another chord, by place in `tones`. */
  readonly optional: readonly number[];
}

const kind = (
  name: ChordKindName,
  tones: readonly number[],
  letters: readonly number[],
  suffix: string,
  minor = false,
  quality: ChordKind['quality'] = '',
  optional: readonly number[] = [2],
): ChordKind => ({ name, tones, letters, suffix, minor, quality, optional });

const THIRDS = [0, 2, 4, 6, 8] as const;
const stacked = (count: number): readonly number[] => THIRDS.slice(0, count);

export const CHORD_KINDS: readonly ChordKind[] = [
  kind('major', [0, 4, 7], stacked(3), ''),
  kind('minor', [0, 3, 7], stacked(3), 'm', true),
  kind('diminished', [0, 3, 6], stacked(3), 'dim', true, '°', []),
  kind('augmented', [0, 4, 8], stacked(3), '+', false, '+', []),
  kind('suspended-fourth', [0, 5, 7], [0, 3, 4], 'sus4', false, 'sus4', []),
  kind('major-sixth', [0, 4, 7, 9], [0, 2, 4, 5], '6', false, 'add6'),
  kind('minor-sixth', [0, 3, 7, 9], [0, 2, 4, 5], 'm6', true, 'add6'),
  kind('dominant', [0, 4, 7, 10], stacked(4), '7'),
  kind('minor-seventh', [0, 3, 7, 10], stacked(4), 'm7', true),
  kind('major-seventh', [0, 4, 7, 11], stacked(4), 'maj7', false, 'M'),
  kind('half-diminished', [0, 3, 6, 10], stacked(4), 'm7b5', true, 'ø', []),
  kind('diminished-seventh', [0, 3, 6, 9], stacked(4), 'dim7', true, '°', []),
  kind('suspended-seventh', [0, 5, 7, 10], [0, 3, 4, 6], '7sus4', false, 'sus4'),
  kind('dominant-ninth', [0, 4, 7, 10, 2], stacked(5), '9'),
  kind('dominant-minor-ninth', [0, 4, 7, 10, 1], stacked(5), '7b9'),
  // The sixth that gives these their name is spelled a letter below the seventh it sounds like.
  kind('italian-sixth', [0, 4, 10], [0, 2, 5], '7', false, '', []),
  kind('french-sixth', [0, 4, 6, 10], [0, 2, 3, 5], '7b5', false, '', []),
  kind('german-sixth', [0, 4, 7, 10], [0, 2, 4, 5], '7', false, '', []),
];

const BY_NAME = new Map(CHORD_KINDS.map((k) => [k.name, k]));
/** The row of a kind; the major triad for a name that is none. */
export const chordKind = (name: ChordKindName): ChordKind => BY_NAME.get(name) ?? (CHORD_KINDS[0] as ChordKind);

/** A chord without its place: root as pitch class, and kind. */
export interface Chord {
  readonly root: number;
  readonly kind: ChordKind;
}

/** Every chord there is; its place in this list is its number. */
export const CHORDS: readonly Chord[] = CHORD_KINDS.flatMap((k) =>
  Array.from({ length: 12 }, (_, root) => ({ root, kind: k })),
);

/** Chords that want to go on: a dominant of some degree, or what stands in for one. */
export const isDominant = (name: ChordKindName): boolean =>
  name === 'dominant' || name === 'dominant-ninth' || name === 'dominant-minor-ninth' || name === 'suspended-seventh';

/** Diminished chords, which lead to the root a half step up [common practice]. */
export const isDiminished = (name: ChordKindName): boolean =>
  name === 'diminished' || name === 'half-diminished' || name === 'diminished-seventh';

export const isAugmentedSixth = (name: ChordKindName): boolean =>
  name === 'italian-sixth' || name === 'french-sixth' || name === 'german-sixth';
