import type { RepeatKind } from '../repeat';
import type { Found } from './found';
import { prefixMax } from './prefix-max';

/** How much a kind says: a place explained by a higher one needs no lower one. */
const RANK: Readonly<Record<RepeatKind, number>> = { exact: 4, changed: 3, moved: 2, sequence: 2, rhythm: 1 };

/** Bars that a finding explains: the second place, or all copies of a sequence. */
const reach = (f: Found): number => f.length * (f.times - 1);

/**
 * Closest kind first, then the widest reach, then the earliest model; what a better finding explains already is left
 * out.
 */
export function select(all: readonly Found[]): Found[] {
  const ordered = [...all].sort(
    (x, y) =>
      RANK[y.kind] - RANK[x.kind] ||
      reach(y) - reach(x) ||
      Number(y.kind === 'sequence') - Number(x.kind === 'sequence') ||
      x.i - y.i ||
      x.j - y.j ||
      Number(x.diatonic) - Number(y.diatonic),
  );
  const kept: Found[] = [];
  // A changed repeat is wider than the exact ones inside it and says more than they do: both stay.
  // A place lies inside one that is kept when a start at or before it reaches its end.
  const ends = prefixMax(1 + Math.max(0, ...new Set(all.map((f) => f.j))));
  for (const f of ordered) {
    const end = f.j + reach(f);
    if (ends.upTo(f.j) >= end) continue;
    kept.push(f);
    ends.note(f.j, end);
  }
  return kept;
}
