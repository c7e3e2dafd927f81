import type { Ticks } from '../units';
import type { KeySpan } from './keys';

/** The chord of one beat. */
export interface BeatChord {
  readonly bar: number;
  /** From 1. */
  readonly beat: number;
  readonly onset: Ticks;
  readonly length: Ticks;
  /** `C`, `F#m7b5`, `G7/B`, or as printed; empty where nothing sounds or nothing can be told. */
  readonly symbol: string;
  /** Roman numeral in the key of the bar. */
  readonly degree: string;
  readonly root: number | null;
  readonly kind: string;
  readonly bass: number | null;
  /** Pitch classes of the chord, the root first. */
  readonly tones: readonly number[];
  /** Sounding keys in the beat, low to high. */
  readonly notes: readonly number[];
  readonly flags: readonly ChordFlag[];
  /** How sure it is, from 0 to 1; 1 where it is printed. */
  readonly certainty: number;
  /** Symbols that are nearly as good, best first. */
  readonly alternatives: readonly string[];
  /** Printed over the notes. */
  readonly printed: boolean;
  /** What sounds where it is not the chord that is printed; null where it agrees. */
  readonly heard: string | null;
}

export type CadenceKind = 'authentic' | 'half' | 'plagal' | 'deceptive';

/** How a phrase ends: at the beat where its last chord comes in. */
export interface Cadence {
  readonly bar: number;
  readonly beat: number;
  readonly onset: Ticks;
  readonly kind: CadenceKind;
  /** Of an authentic one: both chords on their roots and the tune on the tonic. */
  readonly perfect: boolean;
}

export type ChordFlag =
  | 'dominant'
  | 'diminished'
  | 'resolves'
  | 'outside-the-key'
  | 'pedal'
  | 'neapolitan'
  | 'augmented-sixth'
  | `${CadenceKind}-cadence`;

export interface Pedal {
  readonly from: number;
  readonly to: number;
  readonly pitchClass: number;
  readonly name: string;
}

export interface ChordSequence {
  readonly from: number;
  readonly to: number;
  readonly steps: number;
  readonly times: number;
}

export interface Harmony {
  readonly beats: readonly BeatChord[];
  readonly keys: readonly KeySpan[];
  readonly cadences: readonly Cadence[];
  readonly pedals: readonly Pedal[];
  readonly sequences: readonly ChordSequence[];
  /** A tune alone from which no chords can be told: then no beat has one. */
  readonly untold: boolean;
}
