import { playingOrder } from './playing-order';
import { fraction, fractionText } from './fraction';
import type { Bar, Score } from './model';
import { quarterBpm, seconds, ticks, type QuarterBpm, type Seconds, type Ticks } from '../units';

/** Where a piece has no tempo mark: 120 quarters a minute, the default of the Standard MIDI File. */
export const DEFAULT_TEMPO: QuarterBpm = quarterBpm(120);

/**
 * Exact quarter notes of a length in ticks as text: `"3"`, `"7/3"`.
 *
 * @example quartersText({ ticksPerQuarter: 48 }, 72) // → '3/2'
 */
export const quartersText = (score: Pick<Score, 'ticksPerQuarter'>, length: number): string =>
  fractionText(fraction(length, score.ticksPerQuarter));

/**
 * The tempo in force at an onset as written. Several marks at one onset: the last holds.
 *
 * @example tempoAt(score, 0) // → 80
 */
export function tempoAt(score: Score, onset: Ticks): QuarterBpm {
  let tempo = score.tempos[0]?.onset === 0 ? score.tempos[0].bpm : DEFAULT_TEMPO;
  for (const mark of score.tempos) {
    if (mark.onset > onset) break;
    tempo = mark.bpm;
  }
  return tempo;
}

/**
 * Seconds from one onset to another as written (`from` ≤ `to`), through every tempo mark between, or
 * at one fixed tempo when `at` is given. 4 quarters at 120 are 2 s; an empty span is 0 s.
 *
 * @example spanSeconds(score, 0, 4 * score.ticksPerQuarter) // → 3
 */
export function spanSeconds(score: Score, from: Ticks, to: Ticks, at?: QuarterBpm): Seconds {
  if (at !== undefined) return seconds(((to - from) / score.ticksPerQuarter) * (60 / at));
  let total = 0;
  let start = from;
  let tempo = tempoAt(score, from);
  for (const mark of score.tempos) {
    if (mark.onset <= from) continue;
    if (mark.onset >= to) break;
    total += ((mark.onset - start) / score.ticksPerQuarter) * (60 / tempo);
    start = mark.onset;
    tempo = mark.bpm;
  }
  return seconds(total + ((to - start) / score.ticksPerQuarter) * (60 / tempo));
}

export const barEnd = (bar: Bar): Ticks => ticks(bar.onset + bar.length);

/**
 * Seconds of one bar at the tempo in force, or at `at`.
 *
 * @example barSeconds(score, score.bars[0]) // → 3
 */
export const barSeconds = (score: Score, bar: Bar, at?: QuarterBpm): Seconds =>
  spanSeconds(score, bar.onset, barEnd(bar), at);

/**
 * Seconds of a list of bars played one after another: a playing order, a section, or all bars as written.
 *
 * @example playedSeconds(score, [0, 1]) // → 6
 */
export function playedSeconds(score: Score, order: readonly number[], at?: QuarterBpm): Seconds {
  return seconds(
    order.reduce((sum, index) => {
      const bar = score.bars[index];
      return bar ? sum + barSeconds(score, bar, at) : sum;
    }, 0),
  );
}

/**
 * `1:05` from seconds, rounded to the second.
 *
 * @example clockText(83) // → '1:23'
 */
export const clockText = (length: number): string =>
  `${Math.floor(Math.round(length) / 60)}:${String(Math.round(length) % 60).padStart(2, '0')}`;

/**
 * Seconds that each bar sounds in one playing of the piece, repeats and all; 0 for a bar that is never played.
 *
 * @example playedSecondsOfBars(score)[0] // → 3
 */
export function playedSecondsOfBars(score: Score): readonly number[] {
  const times = score.bars.map(() => 0);
  for (const bar of playingOrder(score.bars).order) times[bar] = (times[bar] ?? 0) + 1;
  return score.bars.map((bar, i) => barSeconds(score, bar) * (times[i] ?? 0));
}
