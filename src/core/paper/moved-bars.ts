import type { PageSystem } from '../studio';
import { boxesOf, type Paper } from './paper';

/** A stretch of a bar, in shares of its width, and the stretch of a bar that lies there now. */
export interface MovedPart {
  readonly from: number;
  readonly to: number;
  readonly into: string;
  readonly at: readonly [number, number];
}

/** What became of the bars that changed, by their former ids; no parts where nothing lies there any more. */
export type MovedBars = ReadonlyMap<string, readonly MovedPart[]>;

interface Lying {
  readonly bar: string;
  readonly from: number;
  readonly to: number;
}

/** Where each bar of a system lies: bars that share a box have even parts of it. */
const lying = ({ boxes }: Pick<PageSystem, 'boxes'>): readonly Lying[] =>
  boxes.flatMap(({ bars, from, to }) => {
    const each = (to - from) / bars.length;
    return bars.map((bar, i) => ({ bar, from: from + i * each, to: from + (i + 1) * each }));
  });

const LEAST = 1e-6;
const within = (value: number): number => Math.max(0, Math.min(1, value));

/** What lies now where a bar lay. */
function partsOf(old: Lying, now: readonly Lying[]): readonly MovedPart[] {
  const width = old.to - old.from;
  return now.flatMap((bar) => {
    const from = Math.max(old.from, bar.from);
    const to = Math.min(old.to, bar.to);
    if (to - from < LEAST) return [];
    const of = (x: number): number => within((x - bar.from) / (bar.to - bar.from));
    return [
      {
        from: within((from - old.from) / width),
        to: within((to - old.from) / width),
        into: bar.bar,
        at: [of(from), of(to)],
      },
    ];
  });
}

const isSame = (old: Lying, parts: readonly MovedPart[]): boolean => {
  const [only] = parts;
  return parts.length === 1 && only?.into === old.bar && only.at[0] === 0 && only.at[1] === 1;
};

/**
 * What became of the bars of a system when its boxes changed, by where they lie on the paper.
 *
 * @example
 * movedBars({ boxes: [{ bars: ['g1'], from: 0, to: 10 }] }, { boxes: [{ bars: ['g1'], from: 0, to: 5 },
 *   { bars: ['g2'], from: 5, to: 10 }] }).get('g1')
 * // → [{ from: 0, to: 0.5, into: 'g1', at: [0, 1] }, { from: 0.5, to: 1, into: 'g2', at: [0, 1] }]
 */
export function movedBars(before: Pick<PageSystem, 'boxes'>, after: Pick<PageSystem, 'boxes'> | null): MovedBars {
  const now = after === null ? [] : lying(after);
  return new Map(
    lying(before).flatMap((old) => {
      const parts = partsOf(old, now);
      return isSame(old, parts) ? [] : [[old.bar, parts] as const];
    }),
  );
}

/**
 * Ids of the bars of a paper in reading order.
 *
 * @example barOrder(paper) // → ['g1', 'g2', 'g3', 'g4', 'g5', 'g6', 'g7', 'g8']
 */
export const barOrder = (paper: Pick<Paper, 'layouts'>): readonly string[] => boxesOf(paper).flatMap((b) => b.bars);
