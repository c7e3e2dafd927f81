import type { Ticks } from '../units';
import type { KeySpan } from './find-keys';

/** The chord of one beat. */
export interface BeatChord {
  readonly bar: number;
  /** From 1. */
  readonly beat: number;
  readonly onset: Ticks;
  readonly length: Ticks;
  /** `C`, `F#m7b5`, `G7/B`; empty where nothing sounds. */
  readonly symbol: string;
  /** Roman numeral in the key of the bar. */
  readonly degree: string;
  readonly root: number | null;
  readonly kind: string;
  readonly bass: number | null;
  /** Sounding keys on the beat, low to high. */
  readonly notes: readonly number[];
  readonly flags: readonly ChordFlag[];
}

export type ChordFlag =
  | 'dominant'
  | 'diminished'
  | 'resolves'
  | 'outside-the-key'
  | 'pedal'
  | 'half-cadence'
  | 'authentic-cadence'
  | 'plagal-cadence'
  | 'deceptive-cadence';

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
  readonly pedals: readonly Pedal[];
  readonly sequences: readonly ChordSequence[];
}
