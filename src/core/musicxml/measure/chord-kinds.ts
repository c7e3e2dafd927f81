/** How a kind of chord is written behind its root, and what sounds above it, in semitones. */
export interface ChordKind {
  readonly suffix: string;
  /** Where the file asks for signs instead of letters. */
  readonly sign?: string;
  readonly tones: readonly number[];
}

/**
 * The kinds of MusicXML 4.0 (`kind-value`), but `other` and `none`. Elevenths and thirteenths hold the tones below
 * them, as the standard has it.
 */
export const CHORD_KINDS: Readonly<Record<string, ChordKind>> = {
  major: { suffix: '', tones: [0, 4, 7] },
  minor: { suffix: 'm', sign: '-', tones: [0, 3, 7] },
  augmented: { suffix: '+', tones: [0, 4, 8] },
  diminished: { suffix: 'dim', sign: '°', tones: [0, 3, 6] },
  dominant: { suffix: '7', tones: [0, 4, 7, 10] },
  'major-seventh': { suffix: 'maj7', sign: 'Δ', tones: [0, 4, 7, 11] },
  'minor-seventh': { suffix: 'm7', sign: '-7', tones: [0, 3, 7, 10] },
  'diminished-seventh': { suffix: 'dim7', sign: '°7', tones: [0, 3, 6, 9] },
  'augmented-seventh': { suffix: '+7', tones: [0, 4, 8, 10] },
  'half-diminished': { suffix: 'm7b5', sign: 'ø', tones: [0, 3, 6, 10] },
  'major-minor': { suffix: 'm(maj7)', sign: '-Δ', tones: [0, 3, 7, 11] },
  'major-sixth': { suffix: '6', tones: [0, 4, 7, 9] },
  'minor-sixth': { suffix: 'm6', sign: '-6', tones: [0, 3, 7, 9] },
  'dominant-ninth': { suffix: '9', tones: [0, 4, 7, 10, 14] },
  'major-ninth': { suffix: 'maj9', sign: 'Δ9', tones: [0, 4, 7, 11, 14] },
  'minor-ninth': { suffix: 'm9', sign: '-9', tones: [0, 3, 7, 10, 14] },
  'dominant-11th': { suffix: '11', tones: [0, 4, 7, 10, 14, 17] },
  'major-11th': { suffix: 'maj11', sign: 'Δ11', tones: [0, 4, 7, 11, 14, 17] },
  'minor-11th': { suffix: 'm11', sign: '-11', tones: [0, 3, 7, 10, 14, 17] },
  'dominant-13th': { suffix: '13', tones: [0, 4, 7, 10, 14, 17, 21] },
  'major-13th': { suffix: 'maj13', sign: 'Δ13', tones: [0, 4, 7, 11, 14, 17, 21] },
  'minor-13th': { suffix: 'm13', sign: '-13', tones: [0, 3, 7, 10, 14, 17, 21] },
  'suspended-second': { suffix: 'sus2', tones: [0, 2, 7] },
  'suspended-fourth': { suffix: 'sus4', tones: [0, 5, 7] },
  Neapolitan: { suffix: ' Neapolitan', tones: [0, 4, 7] },
  Italian: { suffix: ' Italian', tones: [0, 4, 10] },
  French: { suffix: ' French', tones: [0, 4, 6, 10] },
  German: { suffix: ' German', tones: [0, 4, 7, 10] },
  pedal: { suffix: ' pedal', tones: [0] },
  power: { suffix: '5', tones: [0, 7] },
  Tristan: { suffix: ' Tristan', tones: [0, 6, 10, 15] },
};

/** Semitones of a degree above the root, as added to a chord: major and perfect, the seventh minor (MusicXML 4.0). */
export const DEGREE_SEMITONES: Readonly<Record<number, number>> = {
  1: 0,
  2: 2,
  3: 4,
  4: 5,
  5: 7,
  6: 9,
  7: 10,
  8: 12,
  9: 14,
  10: 16,
  11: 17,
  12: 19,
  13: 21,
};
