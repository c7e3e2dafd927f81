import { isBlankBar, playedSecondsOfBars, type Score } from '../score';
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
function credit(s: BarContent, b: BarContent, alike: number, weights: PayOffWeights): number {
  if (b.notes.length === 0) return 1;
  if (s.notes.length === 0) return 0;
  if (s.exact === b.exact) return weights.exact;
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
  credits: readonly Credits[],
  seconds: readonly number[],
  learned: readonly number[],
): number {
  return seconds.reduce((sum, time, b) => sum + time * Math.max(0, ...learned.map((s) => credits[s]?.[b] ?? 0)), 0);
}

/** What one bar gives towards each bar of the piece, 0 to 1. */
type Credits = Float64Array;

/** Credit of every bar of a staff for every other; two bars are compared once, whichever is learned first. */
function creditsOfStaff(bars: readonly BarContent[], weights: PayOffWeights): (s: number, b: number) => number {
  const classes = Math.max(0, ...bars.map((bar) => bar.exact)) + 1;
  const known = new Float32Array(classes * classes).fill(-1);
  return (s, b) => {
    const model = bars[s];
    const bar = bars[b];
    if (!model || !bar) return 0;
    if (model.exact < 0 || bar.exact < 0) return credit(model, bar, 0, weights);
    const [low, high] = model.exact < bar.exact ? [model.exact, bar.exact] : [bar.exact, model.exact];
    const at = low * classes + high;
    let alike = known[at] ?? -1;
    if (alike < 0) {
      alike = low === high ? 1 : barSimilarity(model, bar);
      known[at] = alike;
    }
    return credit(model, bar, alike, weights);
  };
}

/**
 * Credit of every bar for every other, all staves together by their share of the notes; and the played seconds of each
 * bar. Bars with the very same notes share one row.
 */
export function payOffTable(
  score: Score,
  weights: PayOffWeights = PAY_OFF_WEIGHTS,
): { readonly credits: readonly Credits[]; readonly seconds: readonly number[] } {
  const { staves } = barLines(score);
  const seconds = playedSecondsOfBars(score);
  const creditOf = staves.map((line) => creditsOfStaff(line.bars, weights));
  const notes = staves.map((line) => line.bars.map((bar) => bar.notes.length));
  const all = score.bars.map((_, b) => notes.reduce((sum, of) => sum + (of[b] ?? 0), 0));
  const rows = new Map<string, Credits>();
  const credits = score.bars.map((_, s) => {
    const face = staves.map((line) => line.bars[s]?.exact ?? -1).join(' ');
    const known = rows.get(face);
    if (known) return known;
    const row = new Float64Array(score.bars.length);
    for (let b = 0; b < row.length; b += 1) {
      const of = all[b] ?? 0;
      const bar = score.bars[b];
      // A bar with nothing to learn is paid for by any bar; what is not written, by none.
      if (of === 0) row[b] = bar && isBlankBar(bar) ? 0 : 1;
      else {
        let got = 0;
        for (let l = 0; l < creditOf.length; l += 1) {
          const count = notes[l]?.[b] ?? 0;
          if (count > 0) got += (creditOf[l]?.(s, b) ?? 0) * count;
        }
        row[b] = got / of;
      }
    }
    rows.set(face, row);
    return row;
  });
  return { credits, seconds };
}

/** At most so many bars are named: more is no longer a choice. */
const MOST_STEPS = 60;

/**
 * The bars that, learned first, pay for the largest share of the played time: greedy, one bar at a time, until
 * everything is paid for that is written. Each step holds all bars chosen so far. An empty piece gives no steps.
 *
 * @example payOff(score)[0].bars // → [0]
 */
export function payOff(score: Score, weights: PayOffWeights = PAY_OFF_WEIGHTS): PayOffStep[] {
  const { credits, seconds } = payOffTable(score, weights);
  const total = seconds.reduce((a, b) => a + b, 0);
  if (total <= 0) return [];
  const best = Float64Array.from(seconds, () => 0);
  const time = Float64Array.from(seconds);
  const chosen: number[] = [];
  const steps: PayOffStep[] = [];
  // Of bars that give the same, the first is learned.
  const first = new Map(credits.map((row, s) => [row, s] as const).reverse());
  const bars = [...first.values()].sort((a, b) => a - b);
  // What a bar gives only falls as others are learned: what it gave last is the most that it can give.
  const atMost = new Float64Array(seconds.length).fill(Infinity);
  const gainOf = (s: number): number => {
    const row = credits[s];
    let gain = 0;
    for (let b = 0; row && b < row.length; b += 1) {
      const more = (row[b] ?? 0) - (best[b] ?? 0);
      if (more > 0) gain += more * (time[b] ?? 0);
    }
    atMost[s] = gain;
    return gain;
  };
  let paid = 0;
  while (chosen.length < Math.min(MOST_STEPS, seconds.length) && paid < total * 0.9999) {
    const likely = bars.reduce((m, s) => ((atMost[s] ?? 0) > (atMost[m] ?? 0) ? s : m), bars[0] ?? 0);
    const least = gainOf(likely) - 1e-9;
    let pick = -1;
    let most = 1e-9;
    for (const s of bars) {
      if ((atMost[s] ?? 0) < least) continue;
      const gain = gainOf(s);
      if (gain > most + 1e-12) {
        most = gain;
        pick = s;
      }
    }
    if (pick < 0) break;
    const row = credits[pick] ?? new Float64Array();
    row.forEach((c, b) => {
      best[b] = Math.max(best[b] ?? 0, c);
    });
    paid += most;
    chosen.push(pick);
    steps.push({ bars: [...chosen], sharePlayed: Math.min(1, paid / total), seconds: paid });
  }
  return steps;
}
