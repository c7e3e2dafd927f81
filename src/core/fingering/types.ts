/** What every solver gives back: one proposal a note, with why. */
export interface FingeredNote {
  readonly noteId: string;
  readonly bar: number;
  /** As printed: `1`–`5`, `0` for an open string, empty where only keys or valves apply. */
  readonly finger: string;
  readonly hand?: 'right' | 'left';
  /** 1 is the highest string. */
  readonly string?: number;
  readonly fret?: number;
  readonly position?: string;
  /** The hand opens for this finger, which teachers write as `x2`. */
  readonly extended?: true;
  /** Keys, valves or slide position of a wind instrument. */
  readonly keys?: string;
  readonly alternates?: readonly string[];
  /** How much dearer the next best answer is, in costs of the solver; asked for by `margins`. No probability. */
  readonly margin?: number;
  /** The next best answer, where it is close. */
  readonly alternatives?: readonly string[];
  /** Set by the teacher or printed, and kept. */
  readonly locked: boolean;
  /** Stands on the page. */
  readonly printed?: boolean;
  /** One line: why this finger. */
  readonly why: string;
}

export interface FingeringWarning {
  readonly code: string;
  readonly bar: number;
  readonly noteIds: readonly string[];
  readonly message: string;
}

export interface Fingering {
  readonly notes: readonly FingeredNote[];
  readonly cost: number;
  /** The cost is the least there is for the stated rules. */
  readonly optimal: boolean;
  readonly warnings: readonly FingeringWarning[];
}
