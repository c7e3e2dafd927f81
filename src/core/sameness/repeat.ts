export type RepeatKind = 'exact' | 'changed' | 'moved' | 'sequence' | 'rhythm';

/** Notes that differ in one pair of bars: those of the later place, and those of the earlier. */
export interface Difference {
  readonly bar: number;
  readonly noteIds: readonly string[];
  readonly aBar: number;
  readonly aNoteIds: readonly string[];
}

/** Two places that are the same in some way. `part` and `staff` are null where all staves agree. */
export interface Repeat {
  readonly kind: RepeatKind;
  readonly part: string | null;
  readonly staff: number | null;
  readonly a: readonly [number, number];
  readonly b: readonly [number, number];
  /** How far the second place lies above the first; 0 unless moved. */
  readonly semitones: number;
  /** The same in staff steps. */
  readonly steps: number;
  /** Moved by staff steps inside the key, so that semitones differ from note to note. */
  readonly diatonic: boolean;
  /** How often a sequence comes, the model counted; 2 for all other kinds. */
  readonly times: number;
  /** Seconds of practice it may save, by the weights of the pay-off. */
  readonly saves: number;
}

/** A shape that steps up or down from any beat, by units that need not be bars. */
export interface BeatSequence {
  readonly part: string | null;
  readonly staff: number | null;
  /** Bars of the model, both included, and where it begins in the first, in ticks. */
  readonly a: readonly [number, number];
  readonly aFrom: number;
  /** The same of the first copy. */
  readonly b: readonly [number, number];
  readonly bFrom: number;
  /** Last bar of the last copy. */
  readonly to: number;
  /** Length of the shape in ticks. */
  readonly length: number;
  /** How often it comes, the model counted. */
  readonly times: number;
  /** From one to the next, in staff steps and, of the first note, in semitones. */
  readonly steps: number;
  readonly semitones: number;
}

/** A figure of `period` bars that goes on unchanged. */
export interface Ostinato {
  readonly part: string | null;
  readonly staff: number | null;
  readonly from: number;
  readonly to: number;
  readonly period: number;
}

export interface Sameness {
  readonly repeats: readonly Repeat[];
  /** Sequences that begin or end inside a bar, in the order of the piece, staff by staff. */
  readonly beatSequences: readonly BeatSequence[];
  readonly ostinatos: readonly Ostinato[];
}
