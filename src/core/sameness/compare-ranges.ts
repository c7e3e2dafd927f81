import { notesByBar, staffPosition, type Note, type Score } from '../score';

/** Two runs of bars laid over one another: which notes pair, and which stand alone in either. */
export interface ComparedRanges {
  /**
   * Note id in the first run → its partner in the second: same bar of the run, place and staff step; an equal shift is
   * allowed.
   */
  readonly pairs: ReadonlyMap<string, string>;
  /** Staff steps by which the second run lies above the first. */
  readonly steps: number;
  readonly onlyA: readonly string[];
  readonly onlyB: readonly string[];
}

/** The shift in staff steps that pairs most notes of two runs; 0 unless one clearly fits better. */
function bestShift(a: ReadonlyMap<string, Note[]>, b: ReadonlyMap<string, Note[]>): number {
  const votes = new Map<number, number>();
  for (const [place, list] of a) {
    const [x] = list;
    const [y] = b.get(place) ?? [];
    if (x?.pitch && y?.pitch) {
      const by = staffPosition(y.pitch) - staffPosition(x.pitch);
      votes.set(by, (votes.get(by) ?? 0) + 1);
    }
  }
  const [best = 0, times = 0] = [...votes].sort(([, m], [, n]) => n - m)[0] ?? [];
  return times > (votes.get(0) ?? 0) * 2 ? best : 0;
}

/**
 * Compares bars `a` with bars `b` (both ends included) bar by bar; a longer run keeps its rest as notes of its own.
 *
 * @example compareRanges(score, [0, 3], [4, 7]).onlyB // → ['p1-b7-n4', 'p1-b8-n1']
 */
export function compareRanges(
  score: Score,
  a: readonly [number, number],
  b: readonly [number, number],
): ComparedRanges {
  const place = (n: Note, start: number): string =>
    `${n.part} ${n.staff} ${n.bar - start} ${n.onset - (score.bars[n.bar]?.onset ?? 0)}`;
  const collect = (range: readonly [number, number]): Map<string, Note[]> => {
    const at = new Map<string, Note[]>();
    for (const n of notesByBar(score)
      .slice(range[0], range[1] + 1)
      .flat()) {
      if (n.grace) continue;
      const key = place(n, range[0]);
      at.set(key, [...(at.get(key) ?? []), n]);
    }
    return at;
  };
  const mine = collect(a);
  const theirs = collect(b);
  const shift = bestShift(mine, theirs);
  const pairs = new Map<string, string>();
  const onlyA: string[] = [];
  const used = new Set<string>();
  for (const [key, list] of mine) {
    const others = theirs.get(key) ?? [];
    for (const n of list) {
      const partner = others.find(
        (o) =>
          !used.has(o.id) &&
          (n.pitch && o.pitch
            ? staffPosition(o.pitch) - staffPosition(n.pitch) === shift &&
              (shift !== 0 || o.pitch.alter === n.pitch.alter)
            : n.midi === o.midi),
      );
      if (!partner) {
        onlyA.push(n.id);
        continue;
      }
      used.add(partner.id);
      pairs.set(n.id, partner.id);
    }
  }
  const onlyB = [...theirs.values()].flat().flatMap((n) => (used.has(n.id) ? [] : [n.id]));
  return { pairs, steps: shift, onlyA, onlyB };
}
