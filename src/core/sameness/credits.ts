import { isBlankBar, playedSecondsOfBars, type Score } from '../score';
import { ALIKE, alikeClasses, ROUNDING } from './alike-bars';
import { barLines, type BarContent } from './bar-content';

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

/** What one bar gives towards each bar of the piece, 0 to 1. */
export type Credits = Float64Array;

/** What learned bars pay for, worked out bar by bar when it is asked for. */
export interface PiecePay {
  /** Played seconds of each bar, with repeats. */
  readonly seconds: readonly number[];
  /** What a bar gives, all staves together by their share of the notes. */
  readonly creditsOf: (bar: number) => Credits;
  /** The seconds that a bar pays for by itself, or somewhat more: quick to tell. */
  readonly atMost: (bar: number) => number;
  /** The first of the bars with the very same notes, for each such bar. */
  readonly different: readonly number[];
}

/** What a learned bar gives towards another that is not the very same. */
function creditOfShape(s: BarContent, b: BarContent, weights: PayOffWeights): number {
  const by = s.anchor && b.anchor ? b.anchor.key - s.anchor.key : 0;
  const moved =
    s.chromatic === b.chromatic
      ? by % 12 === 0
        ? weights.octave
        : weights.moved
      : s.diatonic === b.diatonic
        ? weights.moved
        : 0;
  return Math.max(moved, s.rhythm === b.rhythm ? weights.rhythm : 0);
}

/** Bars of one staff and what a bar of it gives. */
interface StaffPay {
  readonly bars: readonly BarContent[];
  /** Credit of one bar for every other of the staff. */
  readonly creditFrom: (s: number) => (b: number) => number;
  /** Sum of the credits of a bar for all others by their weights, or somewhat more. */
  readonly atMost: (s: number) => number;
}

const add = (sums: Map<number, number>, key: number, value: number): void =>
  void sums.set(key, (sums.get(key) ?? 0) + value);

function staffPay(bars: readonly BarContent[], weightOf: (bar: number) => number, weights: PayOffWeights): StaffPay {
  const alike = alikeClasses(bars);
  const near = alike.map(
    (list) => new Map(list.flatMap((a) => (a.similarity >= ALIKE - ROUNDING ? [[a.exact, a.similarity]] : []))),
  );
  const [exact, rhythm, chromatic, diatonic] = [0, 1, 2, 3].map(() => new Map<number, number>());
  bars.forEach((bar, b) => {
    const weight = weightOf(b);
    if (exact) add(exact, bar.exact, weight);
    if (rhythm) add(rhythm, bar.rhythm, weight);
    if (chromatic) add(chromatic, bar.chromatic, weight);
    if (diatonic) add(diatonic, bar.diatonic, weight);
  });
  return {
    bars,
    creditFrom: (s) => {
      const model = bars[s];
      const ofClass = near[model?.exact ?? -1];
      return (b) => {
        const bar = bars[b];
        if (!model || !bar || model.notes.length === 0) return 0;
        if (model.exact === bar.exact) return weights.exact;
        const alikeness = ofClass?.get(bar.exact);
        const shape = creditOfShape(model, bar, weights);
        return alikeness === undefined ? shape : Math.max(weights.changed * alikeness, shape);
      };
    },
    // The kinds may overlap: what is counted twice makes this more than it is, never less.
    atMost: (s) => {
      const model = bars[s];
      if (!model || model.notes.length === 0) return 0;
      const same = exact?.get(model.exact) ?? 0;
      const others = (of: Map<number, number> | undefined, key: number): number =>
        Math.max(0, (of?.get(key) ?? 0) - same);
      let sum =
        weights.exact * same +
        weights.rhythm * others(rhythm, model.rhythm) +
        Math.max(weights.octave, weights.moved) * others(chromatic, model.chromatic) +
        weights.moved * others(diatonic, model.diatonic);
      for (const [other, alikeness] of near[model.exact] ?? [])
        sum += weights.changed * alikeness * (exact?.get(other) ?? 0);
      return sum;
    },
  };
}

/**
 * What each bar of a piece pays for once it is learned.
 *
 * @example piecePay(score).creditsOf(0)[0] // → 1
 */
export function piecePay(score: Score, weights: PayOffWeights = PAY_OFF_WEIGHTS): PiecePay {
  const { staves } = barLines(score);
  const seconds = playedSecondsOfBars(score);
  const notes = staves.map((line) => line.bars.map((bar) => bar.notes.length));
  const all = score.bars.map((_, b) => notes.reduce((sum, of) => sum + (of[b] ?? 0), 0));
  const pays = staves.map((line, l) =>
    staffPay(
      line.bars,
      (b) => (all[b] === 0 ? 0 : ((seconds[b] ?? 0) * (notes[l]?.[b] ?? 0)) / (all[b] ?? 1)),
      weights,
    ),
  );
  // A bar with nothing to learn is paid for by any bar; what is not written, by none.
  const forNothing = score.bars.map((bar, b) => (all[b] === 0 && !isBlankBar(bar) ? 1 : 0));
  const always = forNothing.reduce<number>((sum, free, b) => sum + free * (seconds[b] ?? 0), 0);
  const first = new Map<string, number>();
  score.bars.forEach((_, s) => {
    const face = staves.map((line) => line.bars[s]?.exact ?? -1).join(' ');
    if (!first.has(face)) first.set(face, s);
  });
  return {
    seconds,
    different: [...first.values()],
    atMost: (s) => pays.reduce((sum, pay) => sum + pay.atMost(s), always),
    creditsOf: (s) => {
      const from = pays.map((pay) => pay.creditFrom(s));
      const row = Float64Array.from(forNothing);
      for (let b = 0; b < row.length; b += 1) {
        const of = all[b] ?? 0;
        if (of === 0) continue;
        let got = 0;
        for (let l = 0; l < from.length; l += 1) {
          const count = notes[l]?.[b] ?? 0;
          if (count > 0) got += (from[l]?.(b) ?? 0) * count;
        }
        row[b] = got / of;
      }
      return row;
    },
  };
}
