import { growthOfPrice, pricesInKey } from './chord-in-key';
import { CHORDS, type Chord } from './chord-kinds';
import { motionPrice } from './chord-motion';
import type { ChordSpan } from './harmonic-path';
import type { MusicalKey } from './keys';

/** Another chord for a span and how much less speaks for it, in beats. */
export interface RunnerUp {
  readonly chord: Chord;
  readonly behind: number;
  /** So close that a teacher may well have it. */
  readonly close: boolean;
}

/** Beats behind from which on a chord is no longer offered. */
const CLOSE = 0.4;

/** The other chords that were weighed for a span, with their neighbours as they are, nearest first. */
export function runnersUp(
  spans: readonly ChordSpan[],
  index: number,
  keys: readonly MusicalKey[],
): readonly RunnerUp[] {
  const span = spans[index];
  const key = keys[span?.key ?? -1];
  if (!span || !key) return [];
  const before = CHORDS[spans[index - 1]?.chord ?? -1];
  const after = CHORDS[spans[index + 1]?.chord ?? -1];
  const length = growthOfPrice(span.to - span.from);
  const total = (number: number, worth: number): number => {
    const chord = CHORDS[number];
    if (!chord) return -Infinity;
    return (
      worth -
      (pricesInKey(key)[number] ?? 0) * length -
      (before ? motionPrice(before, chord, key) : 0) -
      (after ? motionPrice(chord, after, key) : 0)
    );
  };
  const mine = span.candidates.find((c) => c.chord === span.chord);
  const best = total(span.chord, mine?.worth ?? 0);
  return span.candidates
    .flatMap((c): RunnerUp[] => {
      const chord = CHORDS[c.chord];
      if (!chord || c.chord === span.chord) return [];
      const behind = best - total(c.chord, c.worth);
      return [{ chord, behind, close: behind < CLOSE }];
    })
    .sort((a, b) => a.behind - b.behind);
}

/**
 * Of how many chords that are as far ahead as this one is right: a logistic fit on the training pieces, a tune alone by
 * itself, never surer than the best tenth of the held-out ones was.
 */
const CALIBRATION = {
  together: { at: 0.3, slope: 3.6, most: 0.95 },
  alone: { at: -1.2, slope: 9.5, most: 0.9 },
} as const;

/** How sure a chord is, from 0 to 1, by how far the next one is behind. */
export function certaintyOf(runners: readonly RunnerUp[], beats: number, alone: boolean): number {
  const [next] = runners;
  const { at, slope, most } = CALIBRATION[alone ? 'alone' : 'together'];
  const ahead = next === undefined ? 1 : next.behind / Math.sqrt(Math.max(1, beats));
  return Math.round(Math.min(most, 1 / (1 + Math.exp(-(at + slope * ahead)))) * 100) / 100;
}

/** Below this a chord of a tune alone is a guess. */
export const GUESS = 0.5;
