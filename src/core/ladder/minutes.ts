import { playedSeconds, type Score } from '../score';
import { quarterBpm } from '../units';

/**
 * Stopping, going back and thinking take as long again as the playing **[from memory]**, until the student's logs say
 * otherwise.
 */
export const USUAL_OVERHEAD = 2;

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
 * Minutes that `times` passes take, with stops; to a tenth, at least half a minute.
 *
 * @example estimateMinutes(score, 0, 3, 80, 3) // → 1.2
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
 * mixed with the usual one while there are few. Kept between 1 and 6. Without logs it is the usual one.
 *
 * @example learnedOverhead([]) // → 2
 */
export function learnedOverhead(logs: readonly LoggedWork[]): number {
  const ratios = logs
    .flatMap((l) => (l.playingSeconds > 0 && l.minutes > 0 ? [(l.minutes * 60) / l.playingSeconds] : []))
    .sort((a, b) => a - b);
  if (ratios.length === 0) return USUAL_OVERHEAD;
  const middle = Math.floor(ratios.length / 2);
  const median =
    ratios.length % 2 === 1 ? (ratios[middle] ?? 0) : ((ratios[middle - 1] ?? 0) + (ratios[middle] ?? 0)) / 2;
  const trust = ratios.length / (ratios.length + LOGS_TO_TRUST);
  return Math.min(6, Math.max(1, Math.round((trust * median + (1 - trust) * USUAL_OVERHEAD) * 100) / 100));
}
