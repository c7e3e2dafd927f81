import type { Score } from '../score';
import { struckBars, type StruckBars } from './struck-bars';

/**
 * A steady student's fastest comfortable notes a second while learning **[from memory]**; a start tempo keeps the
 * densest beat under it.
 */
export const COMFORTABLE_NOTES_PER_SECOND = 4;
/** Share of the target at which a piece is begun **[common practice]**. */
export const START_SHARE = 0.6;

/**
 * Struck onsets in the busiest quarter of any staff in the range, per quarter.
 *
 * @example densestQuarter(score, 0, 7) // → 1
 */
export function densestQuarter(score: Score, from: number, to: number, struck: StruckBars = struckBars(score)): number {
  const counts = new Map<string, Set<number>>();
  for (const note of struck.slice(from, to + 1).flat()) {
    if (note.grace !== null) continue;
    const key = `${note.part} ${note.staff} ${Math.floor(note.onset / score.ticksPerQuarter)}`;
    const set = counts.get(key);
    if (set) set.add(note.onset);
    else counts.set(key, new Set([note.onset]));
  }
  return Math.max(0, ...[...counts.values()].map((s) => s.size));
}

/**
 * The slower of 60 % of the target and the speed at which the densest quarter stays under the comfortable rate; whole,
 * at least 30 where the target is no slower.
 *
 * @example startTempo(score, 0, 3, 100) // → 60
 */
export function startTempo(
  score: Score,
  from: number,
  to: number,
  target: number,
  struck: StruckBars = struckBars(score),
): number {
  const densest = densestQuarter(score, from, to, struck);
  const byRate = densest > 0 ? (COMFORTABLE_NOTES_PER_SECOND / densest) * 60 : Infinity;
  return Math.min(Math.round(target), Math.max(30, Math.round(Math.min(START_SHARE * target, byRate))));
}
