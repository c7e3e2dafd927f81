/** How strings are tuned. */
import type { MidiKey } from '../units';

/** The strings of a staff. */
export interface StringTuning {
  readonly staff: number;
  /** Sounding keys of the open strings without a capo, the highest line, string 1, first. */
  readonly keys: readonly MidiKey[];
  readonly capo: number;
}

/** A string tuned otherwise than usual, from a bar on. */
export interface Accord {
  /** 1 is the highest string. */
  readonly string: number;
  /** Sounding key of the open string. */
  readonly key: MidiKey;
}
