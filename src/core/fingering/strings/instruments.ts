/**
 * String instruments as the solvers see them: open strings from the highest sounding (string 1) to the lowest, sounding MIDI keys.
 * Tunings are the ordinary ones; source: any method of the instrument (common practice). A banjo's fifth string is its short drone.
 */
export interface OpenString {
  readonly key: number;
  /** Letter step above C0 of the open string, for positions that count letters. */
  readonly step: number;
}

export interface BowedInstrument {
  readonly kind: 'bowed';
  readonly name: string;
  readonly strings: readonly OpenString[];
  /** Which fingers stand how many semitones above the first in a closed hand, and in an extension. */
  readonly frame: 'diatonic' | 'chromatic' | 'simandl';
}

export interface FrettedInstrument {
  readonly kind: 'fretted';
  readonly name: string;
  readonly strings: readonly OpenString[];
  readonly frets: number;
  /** First playable fret of each string: 5 on the drone of a five-string banjo. */
  readonly nut: readonly number[];
}

const STEP_OF: readonly number[] = [0, 0, 1, 1, 2, 3, 3, 4, 4, 5, 5, 6];
const open = (key: number): OpenString => ({ key, step: (Math.floor(key / 12) - 1) * 7 + (STEP_OF[key % 12] ?? 0) });
const strings = (...keys: readonly number[]): readonly OpenString[] => keys.map(open);

export const BOWED: Readonly<Record<'violin' | 'viola' | 'cello' | 'bass', BowedInstrument>> = {
  violin: { kind: 'bowed', name: 'violin', strings: strings(76, 69, 62, 55), frame: 'diatonic' },
  viola: { kind: 'bowed', name: 'viola', strings: strings(69, 62, 55, 48), frame: 'diatonic' },
  cello: { kind: 'bowed', name: 'cello', strings: strings(57, 50, 43, 36), frame: 'chromatic' },
  // Sounding an octave below its notation.
  bass: { kind: 'bowed', name: 'bass', strings: strings(43, 38, 33, 28), frame: 'simandl' },
};

const fretted = (name: string, keys: readonly number[], frets: number, nut: readonly number[] = keys.map(() => 0)): FrettedInstrument => ({
  kind: 'fretted',
  name,
  strings: strings(...keys),
  frets,
  nut,
});

export const FRETTED: Readonly<Record<'guitar' | 'ukulele' | 'banjo' | 'tenor-banjo' | 'mandolin', FrettedInstrument>> = {
  guitar: fretted('guitar', [64, 59, 55, 50, 45, 40], 19),
  // Re-entrant: the fourth string lies above the third.
  ukulele: fretted('ukulele', [69, 64, 60, 67], 15),
  // Open G: D B G D and the short g, whose frets are counted from the fifth.
  banjo: fretted('banjo', [62, 59, 55, 50, 67], 22, [0, 0, 0, 0, 5]),
  'tenor-banjo': fretted('tenor banjo', [69, 62, 55, 48], 19),
  mandolin: fretted('mandolin', [76, 69, 62, 55], 20),
};

/** The instrument with a capo: open strings sound higher, frets are counted from it. */
export const withCapo = (instrument: FrettedInstrument, fret: number): FrettedInstrument => ({
  ...instrument,
  strings: instrument.strings.map((s) => open(s.key + fret)),
  frets: Math.max(1, instrument.frets - fret),
});

/** The instrument in another tuning: sounding keys of the open strings, string 1 first. */
export const tunedTo = (instrument: FrettedInstrument, keys: readonly number[]): FrettedInstrument => ({
  ...instrument,
  strings: keys.map(open),
  nut: keys.map((_, i) => instrument.nut[i] ?? 0),
});
