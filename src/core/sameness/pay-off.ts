import { barSeconds, playingOrder, type Score } from '../score';
import { barLines, type BarContent } from './bar-content';
import { barSimilarity } from './bar-similarity';

/**
 * How much of a bar is paid for by a learned bar that is the same in some way. Chosen by us; adjustable by the caller.
 */
export const PAY_OFF_WEIGHTS = {
  exact: 1,
  /** Times the share of notes that stay. */
  changed: 0.9,
  octave: 0.8,
  moved: 0.65,
  rhythm: 0.4,
} as const;

export type PayOffWeights = { readonly [K in keyof typeof PAY_OFF_WEIGHTS]: number };

export interface PayOffStep {
  /** The bars learned so far, in the order chosen. */
  readonly bars: readonly number[];
  /** Share of the played time that is paid for, 0 to 1. */
  readonly sharePlayed: number;
  /** Seconds of it, with repeats. */
  readonly seconds: number;
}

/** What a learned bar `s` gives towards bar `b` of the same staff. */
function credit(s: BarContent, b: BarContent, weights: PayOffWeights): number {
  if (b.notes.length === 0) return 1;
  if (s.notes.length === 0) return 0;
  if (s.exact === b.exact) return weights.exact;
  const alike = barSimilarity(s, b);
  const by = s.anchor && b.anchor ? b.anchor.key - s.anchor.key : 0;
  const moved =
    s.chromatic === b.chromatic
      ? by % 12 === 0
        ? weights.octave
        : weights.moved
      : s.diatonic === b.diatonic
        ? weights.moved
        : 0;
  return Math.max(alike >= 0.62 ? weights.changed * alike : 0, moved, s.rhythm === b.rhythm ? weights.rhythm : 0);
}

/**
 * Σ over bars of seconds × the best credit any learned bar gives: monotone and submodular, so greedy is within 1 − 1/e
 * of the best.
 */
export function payOffValue(
  credits: readonly (readonly number[])[],
  seconds: readonly number[],
  learned: readonly number[],
): number {
  return seconds.reduce((sum, time, b) => sum + time * Math.max(0, ...learned.map((s) => credits[s]?.[b] ?? 0)), 0);
}

/**
 * Credit of every bar for every other, all staves together by their share of the notes; and the played seconds of each
 * bar.
 */
export function payOffTable(
  score: Score,
  weights: PayOffWeights = PAY_OFF_WEIGHTS,
): { readonly credits: readonly (readonly number[])[]; readonly seconds: readonly number[] } {
  const { staves } = barLines(score);
  const played = score.bars.map(() => 0);
  for (const bar of playingOrder(score.bars).order) played[bar] = (played[bar] ?? 0) + 1;
  const seconds = score.bars.map((bar, i) => barSeconds(score, bar) * (played[i] ?? 0));
  const known = staves.map(() => new Map<string, number>());
  const credits = score.bars.map((_, s) =>
    score.bars.map((_b, b) => {
      let got = 0;
      let notes = 0;
      staves.forEach((line, l) => {
        const model = line.bars[s];
        const bar = line.bars[b];
        if (!model || !bar || bar.notes.length === 0) return;
        const key = `${model.exact} ${bar.exact}`;
        const cache = known[l];
        const c = cache?.get(key) ?? credit(model, bar, weights);
        cache?.set(key, c);
        got += c * bar.notes.length;
        notes += bar.notes.length;
      });
      return notes === 0 ? 0 : got / notes;
    }),
  );
  // Bars with nothing to learn are paid for by any bar.
  score.bars.forEach((_, b) => {
    if (staves.every((line) => (line.bars[b]?.notes.length ?? 0) === 0)) for (const row of credits) row[b] = 1;
  });
  return { credits, seconds };
}

/** At most so many bars are named: more is no longer a choice. */
const MOST_STEPS = 60;

/**
 * The bars that, learned first, pay for the largest share of the played time: greedy, one bar at a time, until
 * everything is paid for. Each step holds all bars chosen so far. An empty piece gives no steps.
 *
 * @example payOff(score)[0].bars // → [0]
 */
export function payOff(score: Score, weights: PayOffWeights = PAY_OFF_WEIGHTS): PayOffStep[] {
  const { credits, seconds } = payOffTable(score, weights);
  const total = seconds.reduce((a, b) => a + b, 0);
  if (total <= 0) return [];
  const best = seconds.map(() => 0);
  const chosen: number[] = [];
  const steps: PayOffStep[] = [];
  let paid = 0;
  while (chosen.length < Math.min(MOST_STEPS, seconds.length) && paid < total * 0.9999) {
    let pick = -1;
    let most = 1e-9;
    credits.forEach((row, s) => {
      let gain = 0;
      for (let b = 0; b < row.length; b += 1) gain += Math.max(0, (row[b] ?? 0) - (best[b] ?? 0)) * (seconds[b] ?? 0);
      if (gain > most + 1e-12) {
        most = gain;
        pick = s;
      }
    });
    if (pick < 0) break;
    const row = credits[pick] ?? [];
    row.forEach((c, b) => {
      best[b] = Math.max(best[b] ?? 0, c);
    });
    paid += most;
    chosen.push(pick);
    steps.push({ bars: [...chosen], sharePlayed: Math.min(1, paid / total), seconds: paid });
  }
  return steps;
}
