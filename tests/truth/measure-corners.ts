/** Corners found, against the places that a teacher would name. */
import { analysisOf } from '@/core/analysis';
import type { BarDifficulty } from '@/core/difficulty';
import type { Truth } from './read-truth';

export interface CornersFound {
  /** Named places of which one bar is among ours. */
  readonly hits: number;
  readonly known: number;
  /** Ours that nobody named. */
  readonly extra: number;
  readonly bars: number;
  readonly notes: readonly string[];
}

export function cornersFound(
  truth: Truth,
  ours: readonly BarDifficulty[] = analysisOf(truth.score).corners,
): CornersFound | null {
  if (!truth.corners) return null;
  const bars = ours.map((c) => c.bar);
  const missed = truth.corners.filter((place) => !place.some((bar) => bars.includes(bar)));
  const extra = ours.filter((c) => !truth.corners?.some((place) => place.includes(c.bar)));
  return {
    hits: truth.corners.length - missed.length,
    known: truth.corners.length,
    extra: extra.length,
    bars: truth.score.bars.length,
    notes: [
      ...missed.map((place) => `corner missed ${place.join('=')}`),
      ...extra.map((c) => `corner ${c.bar} of ${c.score}: ${c.reasons.map((r) => `${r.text} ${r.points}`).join(', ')}`),
    ],
  };
}
