import type { Found } from './found';
import { prefixMax } from './prefix-max';

/** Bars that a finding explains: the second place, or all copies of a sequence. */
const reach = (f: Found): number => f.length * (f.times - 1);

/** The widest first, of these the sequences, the earliest model, the earliest copy, the same semitones. */
const byReach = (x: Found, y: Found): number =>
  reach(y) - reach(x) ||
  Number(y.kind === 'sequence') - Number(x.kind === 'sequence') ||
  x.i - y.i ||
  x.j - y.j ||
  Number(x.diatonic) - Number(y.diatonic);

/** Whether bars from a place to before another are explained by what is kept. */
export type IsExplained = (from: number, end: number) => boolean;

/** What is kept of the findings of a line, the kinds that say most first. */
export interface Selection {
  readonly kept: readonly Found[];
  readonly isExplained: IsExplained;
  /** Adds findings of one closeness: the widest first; what a better one explains already is left out. */
  readonly take: (findings: readonly Found[]) => void;
}

/** Nothing yet, of a line of so many bars. */
export function selection(bars: number): Selection {
  const kept: Found[] = [];
  // A changed repeat is wider than the exact ones inside it and says more than they do: both stay.
  // A place lies inside one that is kept when a start at or before it reaches its end.
  const ends = prefixMax(bars + 1);
  const isExplained: IsExplained = (from, end) => ends.upTo(from) >= end;
  return {
    kept,
    isExplained,
    take: (findings) => {
      const left = findings.filter((f) => !isExplained(f.j, f.j + reach(f))).sort(byReach);
      for (const f of left) {
        if (isExplained(f.j, f.j + reach(f))) continue;
        kept.push(f);
        ends.note(f.j, f.j + reach(f));
      }
    },
  };
}
