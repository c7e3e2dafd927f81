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

/**
 * Maximal runs on one diagonal where `same(i, i + d)` holds; no longer than the distance, so that the places never
 * overlap.
 */
export function runs(
  bars: number,
  d: number,
  same: (i: number, j: number) => boolean,
  emit: (i: number, length: number) => void,
): void {
  let start = -1;
  for (let i = 0; i + d <= bars; i += 1) {
    const holds = i + d < bars && same(i, i + d);
    if (holds && start < 0) start = i;
    if (start >= 0 && (!holds || i - start === d)) {
      emit(start, i - start);
      start = holds ? i : -1;
    }
  }
}
