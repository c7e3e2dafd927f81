import type { ExerciseFigure } from './exercise';

/** How a figure goes: steps of its scale from the tonic (0), and the meter that fits it. */
export interface Figure {
  /** Steps in the order in which they are played, up and down again, the last one the tonic. */
  readonly steps: (octaves: number) => readonly number[];
  /** Beats of a bar, and into how many notes a beat is divided where it is not played in beats. */
  readonly beats: 3 | 4;
}

const OCTAVE = 7;
const upAndDown = (up: readonly number[]): readonly number[] => [...up, ...up.slice(0, -1).reverse()];
const range = (to: number): readonly number[] => Array.from({ length: to + 1 }, (_, i) => i);
const TRIAD = [0, 2, 4] as const;

/** Up in pairs of a step and the third above it, down in pairs from above: 1 3 2 4 … 8, 8 6 7 5 … 1. */
function thirds(octaves: number): readonly number[] {
  const all = range(octaves * OCTAVE - 1);
  const top = octaves * OCTAVE;
  return [...all.flatMap((s) => [s, s + 2]), ...all.flatMap((s) => [top - s, top - s - 2]), 0];
}

export const FIGURES: Readonly<Record<ExerciseFigure, Figure>> = {
  'five-notes': { steps: () => upAndDown(range(4)), beats: 4 },
  scale: { steps: (octaves) => upAndDown(range(octaves * OCTAVE)), beats: 4 },
  arpeggio: {
    steps: (octaves) =>
      upAndDown([
        ...Array.from({ length: octaves }, (_, o) => TRIAD.map((t) => t + o * OCTAVE)).flat(),
        octaves * OCTAVE,
      ]),
    beats: 3,
  },
  thirds: { steps: thirds, beats: 4 },
};
