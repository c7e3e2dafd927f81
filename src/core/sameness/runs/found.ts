import type { RepeatKind } from '../repeat';

/** Two stretches of bars of one line that are the same in some way. */
export interface Found {
  readonly kind: RepeatKind;
  readonly i: number;
  readonly j: number;
  readonly length: number;
  readonly semitones: number;
  readonly steps: number;
  readonly diatonic: boolean;
  readonly times: number;
}

export const found = (kind: RepeatKind, i: number, j: number, length: number, more: Partial<Found> = {}): Found => ({
  kind,
  i,
  j,
  length,
  semitones: 0,
  steps: 0,
  diatonic: false,
  times: 2,
  ...more,
});
