import type { WindChart } from './wind-chart';

export type InstrumentFamily =
  'keyboard' | 'bowed' | 'fretted' | 'woodwind' | 'brass' | 'voice' | 'percussion' | 'other';
/** How it is taught to be touched: whose words a gesture is told in. */
export type PlayerFamily = 'keyboard' | 'bowed' | 'fretted' | 'wind';

export interface OpenString {
  /** Sounding MIDI key. */
  readonly key: number;
  /** Letter step above C0 of the open string, for positions that count letters. */
  readonly step: number;
}

export interface BowedStrings {
  readonly kind: 'bowed';
  readonly name: string;
  /** From the highest sounding (string 1) to the lowest. */
  readonly strings: readonly OpenString[];
  /** Which fingers stand how many semitones above the first in a closed hand, and in an extension. */
  readonly frame: 'diatonic' | 'chromatic' | 'simandl';
}

export interface FrettedStrings {
  readonly kind: 'fretted';
  readonly name: string;
  readonly strings: readonly OpenString[];
  readonly frets: number;
  /** First playable fret of each string: 5 on the drone of a five-string banjo. */
  readonly nut: readonly number[];
}

export interface WindKeys {
  readonly kind: 'wind';
  readonly name: string;
  readonly chart: WindChart;
  /** Charts count written pitches for transposing instruments, sounding ones for the rest. */
  readonly counts: 'written' | 'sounding';
}

export interface Keyboard {
  readonly kind: 'keyboard';
}

/** What finds fingers for it: strings, keys or the keyboard; null where there is nothing to finger. */
export type Fingerable = Keyboard | BowedStrings | FrettedStrings | WindKeys;

export type Clef = 'treble' | 'treble-8' | 'alto' | 'tenor' | 'bass' | 'bass-8' | 'percussion';

/** Everything the tool knows of an instrument, in one place. Facts are common practice where no source is named. */
export interface Instrument {
  /** As people say it. */
  readonly name: string;
  /** Other names, in lower case: as scores, programs and teachers write it, in the common languages. */
  readonly names: readonly string[];
  /** Beginnings of the sound ids that score files use for it. */
  readonly sounds: readonly string[];
  /** General MIDI programs, from 0; the first is the one it is played with. */
  readonly programs: readonly number[];
  readonly family: InstrumentFamily;
  readonly technique: PlayerFamily | null;
  readonly fingers: Fingerable | null;
  /** Ordinary range of a student, sounding MIDI keys; null where it has none. */
  readonly range: readonly [number, number] | null;
  /** Semitones it sounds above what is written; negative below. */
  readonly transposition: number;
  /** The clef it is usually read in first. */
  readonly clefs: readonly Clef[];
  /** Its player breathes between phrases. */
  readonly breathes: boolean;
  /** Its hands play chords by symbol. */
  readonly strums: boolean;
  /** Sounding keys below which it has little tone, so that a soft mark needs care. */
  readonly weakBelow: number | null;
  /** What its player warms up with, besides the scales of the piece. */
  readonly warmUps: readonly string[];
  /** What "the place where it starts" is drawn on. */
  readonly startMap: 'keyboard' | 'strings' | 'keys' | 'none';
}

const STEP_OF: readonly number[] = [0, 0, 1, 1, 2, 3, 3, 4, 4, 5, 5, 6];
export const openString = (key: number): OpenString => ({
  key,
  step: (Math.floor(key / 12) - 1) * 7 + (STEP_OF[key % 12] ?? 0),
});
/** Open strings from the highest sounding, string 1, to the lowest; sounding MIDI keys. */
export const openStrings = (...keys: readonly number[]): readonly OpenString[] => keys.map(openString);

/** Strings with frets; `nut` only where a string begins higher. */
export const fretted = (
  name: string,
  keys: readonly number[],
  frets: number,
  nut: readonly number[] = keys.map(() => 0),
): FrettedStrings => ({
  kind: 'fretted',
  name,
  strings: openStrings(...keys),
  frets,
  nut,
});

/**
 * The strings with a capo: open strings sound higher, frets are counted from it.
 *
 * @example withCapo(INSTRUMENTS.ukulele.fingers, 2).strings.map((s) => s.key) // → [71, 66, 62, 69]
 */
export const withCapo = (strings: FrettedStrings, fret: number): FrettedStrings => ({
  ...strings,
  strings: strings.strings.map((s) => openString(s.key + fret)),
  frets: Math.max(1, strings.frets - fret),
});

/**
 * The strings in another tuning: sounding keys of the open strings, string 1 first.
 *
 * @example tunedTo(INSTRUMENTS.ukulele.fingers, [69, 64, 60, 55]).strings.map((s) => s.key) // → [69, 64, 60, 55]
 */
export const tunedTo = (strings: FrettedStrings, keys: readonly number[]): FrettedStrings => ({
  ...strings,
  strings: keys.map(openString),
  nut: keys.map((_, i) => strings.nut[i] ?? 0),
});
