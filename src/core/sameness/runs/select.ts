import type { RepeatKind } from '../repeat';
import type { Found } from './found';

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
  // Farthest end of what is kept, by first bar: a place lies inside one of them when a start at or before it reaches
  // its end.
  const ends: number[] = [];
  for (const f of ordered) {
    const end = f.j + reach(f);
    let inside = false;
    for (let j = 0; j <= f.j && !inside; j += 1) inside = (ends[j] ?? 0) >= end;
    if (inside) continue;
    kept.push(f);
    ends[f.j] = Math.max(ends[f.j] ?? 0, end);
  }
  return kept;
}
