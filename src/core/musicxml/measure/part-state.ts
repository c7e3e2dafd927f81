import type { Aside, Fraction, Key, Meter, Transposition } from '../../score';

/** What a part carries from bar to bar; replaced, never shared between parts. */
export interface PartState {
  divisions: Fraction | null;
  meter: Meter;
  key: Key;
  transpose: Transposition;
  transposeByStaff: Map<number, Transposition>;
  staves: number;
  unpitched: ReadonlyMap<string, number>;
  /** Staves whose music is not to be played as it stands. */
  asideStaves: Map<number, Aside>;
  /** Inside a stretch of slashes. */
  slashes: boolean;
  /** Capo of a staff, which holds until another is said. */
  capos: Map<number, number>;
}

export type Warn = (code: string, message: string) => void;

const NO_TRANSPOSE: Transposition = { diatonic: 0, chromatic: 0, octaveChange: 0 };

export const startState = (unpitched: ReadonlyMap<string, number> = new Map()): PartState => ({
  divisions: null,
  // Until a meter is said there is none.
  meter: { parts: [], symbol: null },
  key: { fifths: 0, mode: null },
  transpose: NO_TRANSPOSE,
  transposeByStaff: new Map(),
  staves: 1,
  unpitched,
  asideStaves: new Map(),
  slashes: false,
  capos: new Map(),
});
