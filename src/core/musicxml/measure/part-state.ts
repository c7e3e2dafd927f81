import type { Fraction, Key, Meter, Transposition } from '../../score';

/** What a part carries from bar to bar; replaced, never shared between parts. */
export interface PartState {
  divisions: Fraction | null;
  meter: Meter;
  key: Key;
  transpose: Transposition;
  transposeByStaff: Map<number, Transposition>;
  staves: number;
  unpitched: ReadonlyMap<string, number>;
}

export type Warn = (code: string, message: string) => void;

const NO_TRANSPOSE: Transposition = { diatonic: 0, chromatic: 0, octaveChange: 0 };

export const startState = (unpitched: ReadonlyMap<string, number> = new Map()): PartState => ({
  divisions: null,
  meter: { parts: [{ groups: [4], unit: 4 }], symbol: null },
  key: { fifths: 0, mode: null },
  transpose: NO_TRANSPOSE,
  transposeByStaff: new Map(),
  staves: 1,
  unpitched,
});
