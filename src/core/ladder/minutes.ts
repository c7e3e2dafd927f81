import { playedSeconds, type Score } from '../score';
import { quarterBpm } from '../units';
import type { StudentLevel } from './rung-facts';

/**
 * How many times as long as the bare playing of what is asked for practice takes, by level **[common practice]**: a
 * beginner needs about five times, an intermediate three, an advanced two, until the student's logs say better. In it
 * are the repetitions, failed tries, finding the place, beginning again at the next sitting, and checks.
 */
export const OVERHEAD: Readonly<Record<StudentLevel, number>> = { beginner: 5, intermediate: 3, advanced: 2 };
/** For everyone, where the level is not known. */
export const USUAL_OVERHEAD = OVERHEAD.intermediate;

/** What practice is made of besides the repetitions, as shares of the time they do not take. Chosen by us. */
export const BESIDES_PLAYING = {
  'failed tries': 0.5,
  'finding the place': 0.2,
  'beginning again another day': 0.2,
  checks: 0.1,
} as const;

/** How far an estimate may be off, down and up **[from memory]**. */
const MINUTES_RANGE: readonly [number, number] = [0.75, 1.35];

/**
 * Minutes as a range, whole ones.
 *
 * @example minutesRange(20) // → [15, 27]
 */
export const minutesRange = (minutes: number): readonly [number, number] => [
  Math.max(1, Math.round(minutes * MINUTES_RANGE[0])),
  Math.max(1, Math.round(minutes * MINUTES_RANGE[1])),
];

/**
 * Seconds one pass through the range takes at a tempo in quarters a minute.
 *
 * @example passSeconds(score, 0, 3, 80) // → 12
 */
export const passSeconds = (score: Score, from: number, to: number, tempo: number): number =>
  playedSeconds(
    score,
    score.bars.slice(from, to + 1).map((b) => b.index),
    quarterBpm(tempo),
  );

/**
 * Minutes that `times` passes take, with all that practice is besides; to a tenth, at least half a minute.
 *
 * @example estimateMinutes(score, 0, 3, 80, 3) // → 1.8
 */
export const estimateMinutes = (
  score: Score,
  from: number,
  to: number,
  tempo: number,
  times: number,
  overhead = USUAL_OVERHEAD,
): number => Math.max(0.5, Math.round((times * overhead * passSeconds(score, from, to, tempo)) / 6) / 10);

export interface LoggedWork {
  /** Seconds the passes alone would have taken. */
  readonly playingSeconds: number;
  readonly minutes: number;
}

/** Logs needed before they weigh as much as the usual overhead. */
const LOGS_TO_TRUST = 6;

/**
 * The student's own overhead: how many times as long as the bare playing practice took, from the median of the logs,
 * mixed with the usual one of the level while there are few. Kept between 1 and 8. Without logs it is the usual one.
 *
 * @example learnedOverhead([]) // → 3
 */
export function learnedOverhead(logs: readonly LoggedWork[], level: StudentLevel = 'intermediate'): number {
  const ratios = logs
    .flatMap((l) => (l.playingSeconds > 0 && l.minutes > 0 ? [(l.minutes * 60) / l.playingSeconds] : []))
    .sort((a, b) => a - b);
  const usual = OVERHEAD[level];
  if (ratios.length === 0) return usual;
  const middle = Math.floor(ratios.length / 2);
  const median =
    ratios.length % 2 === 1 ? (ratios[middle] ?? 0) : ((ratios[middle - 1] ?? 0) + (ratios[middle] ?? 0)) / 2;
  const trust = ratios.length / (ratios.length + LOGS_TO_TRUST);
  return Math.min(8, Math.max(1, Math.round((trust * median + (1 - trust) * usual) * 100) / 100));
}
