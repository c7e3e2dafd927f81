import type { Score } from '../score';
import { PAY_OFF_WEIGHTS, piecePay, type Credits, type PayOffWeights, type PiecePay } from './credits';

export interface PayOffStep {
  /** The bars learned so far, in the order chosen. */
  readonly bars: readonly number[];
  /** Share of the played time that is paid for, 0 to 1. */
  readonly sharePlayed: number;
  /** Seconds of it, with repeats. */
  readonly seconds: number;
}

/**
 * Σ over bars of seconds × the best credit any learned bar gives: monotone and submodular, so greedy is within 1 − 1/e
 * of the best.
 */
export function payOffValue({ seconds, creditsOf }: PiecePay, learned: readonly number[]): number {
  const rows = learned.map(creditsOf);
  return seconds.reduce((sum, time, b) => sum + time * Math.max(0, ...rows.map((row) => row[b] ?? 0)), 0);
}

/** At most so many bars are named: more is no longer a choice. */
const MOST_STEPS = 60;
/**
 * So many bars are weighed against each other; of a longer piece, of every stretch the one that pays most by itself.
 * Chosen by us: far more than can be named, and few enough to be weighed quickly.
 */
const MOST_WEIGHED = 400;
/** Gains that differ by less are the same: the earlier bar is learned. In seconds. */
const SAME_GAIN = 1e-12;
/** What sums of many gains may be off by, in seconds. */
const ROUNDING = 1e-9;

/** What is learned so far: by bar, the best credit that any learned bar gives. */
class Learned {
  readonly best: Float64Array;
  constructor(private readonly pay: PiecePay) {
    this.best = new Float64Array(pay.seconds.length);
  }
  /** Seconds that a bar would pay for beside what is paid for already. */
  gain(credits: Credits): number {
    let gain = 0;
    for (let b = 0; b < credits.length; b += 1) {
      const more = (credits[b] ?? 0) - (this.best[b] ?? 0);
      if (more > 0) gain += more * (this.pay.seconds[b] ?? 0);
    }
    return gain;
  }
  take(credits: Credits): void {
    credits.forEach((c, b) => {
      this.best[b] = Math.max(this.best[b] ?? 0, c);
    });
  }
}

/** The bars that are weighed: all different ones, or the best of as many stretches of them. */
function weighedBars({ different, atMost }: PiecePay): readonly number[] {
  if (different.length <= MOST_WEIGHED) return different;
  const best = new Map<number, { readonly bar: number; readonly most: number }>();
  different.forEach((bar, k) => {
    const stretch = Math.floor((k * MOST_WEIGHED) / different.length);
    const most = atMost(bar);
    if (most > (best.get(stretch)?.most ?? -1)) best.set(stretch, { bar, most });
  });
  return [...best.values()].map(({ bar }) => bar);
}

/** A bar that is weighed: what it gives, and the most that it can still pay for. */
interface Weighed {
  readonly bar: number;
  readonly credits: Credits;
  atMost: number;
}

/** The bar with the largest gain, the earliest of those with the same, and its gain; null where nothing pays. */
function bestBar(
  bars: readonly Weighed[],
  learned: Learned,
): { readonly chosen: Weighed; readonly gain: number } | null {
  // What a bar gives only falls as others are learned: one that gave less before needs not be asked again.
  const likely = [...bars].sort((x, y) => y.atMost - x.atMost);
  const asked: { readonly chosen: Weighed; readonly gain: number }[] = [];
  let most = 0;
  for (const chosen of likely) {
    if (chosen.atMost < most - ROUNDING) break;
    const gain = learned.gain(chosen.credits);
    chosen.atMost = gain + ROUNDING;
    most = Math.max(most, gain);
    asked.push({ chosen, gain });
  }
  let best: (typeof asked)[number] | null = null;
  for (const next of asked.sort((x, y) => x.chosen.bar - y.chosen.bar))
    if (next.gain > Math.max(ROUNDING, best?.gain ?? 0) + SAME_GAIN) best = next;
  return best;
}

/**
 * The bars that, learned first, pay for the largest share of the played time: greedy, one bar at a time, until
 * everything is paid for that is written. Each step holds all bars chosen so far. An empty piece gives no steps.
 *
 * @example payOff(score)[0].bars // → [0]
 */
export function payOff(score: Score, weights: PayOffWeights = PAY_OFF_WEIGHTS): PayOffStep[] {
  const pay = piecePay(score, weights);
  const total = pay.seconds.reduce((a, b) => a + b, 0);
  if (total <= 0) return [];
  const learned = new Learned(pay);
  const bars = weighedBars(pay).map((bar): Weighed => ({ bar, credits: pay.creditsOf(bar), atMost: Infinity }));
  const chosen: number[] = [];
  const steps: PayOffStep[] = [];
  let paid = 0;
  while (chosen.length < Math.min(MOST_STEPS, pay.seconds.length) && paid < total * 0.9999) {
    const next = bestBar(bars, learned);
    if (!next) break;
    learned.take(next.chosen.credits);
    paid += next.gain;
    chosen.push(next.chosen.bar);
    steps.push({ bars: [...chosen], sharePlayed: Math.min(1, paid / total), seconds: paid });
  }
  return steps;
}
