/** A cheapest path through places, one column of places a note or chord: what every string and wind solver shares. */
export interface LatticePath {
  /** Index of the chosen place in each column. */
  readonly picks: readonly number[];
  readonly cost: number;
}

/**
 * The path with the least sum of `own` and `step` costs. Columns must not be empty. Time grows with the columns times
 * the square of the places in each.
 */
export function cheapestPath<Place>(
  columns: readonly (readonly Place[])[],
  own: (place: Place, column: number) => number,
  step: (a: Place, b: Place, column: number) => number,
): LatticePath {
  if (columns.length === 0) return { picks: [], cost: 0 };
  let costs = (columns[0] ?? []).map((p) => own(p, 0));
  const backs: number[][] = [];
  for (let c = 1; c < columns.length; c += 1) {
    const before = columns[c - 1] ?? [];
    const here = columns[c] ?? [];
    const back: number[] = [];
    costs = here.map((b, k) => {
      let best = Infinity;
      let from = 0;
      before.forEach((a, i) => {
        const cost = (costs[i] ?? Infinity) + step(a, b, c);
        if (cost < best - 1e-12) {
          best = cost;
          from = i;
        }
      });
      back[k] = from;
      return best + own(b, c);
    });
    backs.push(back);
  }
  let pick = costs.reduce((best, cost, k) => (cost < (costs[best] ?? Infinity) - 1e-12 ? k : best), 0);
  const cost = costs[pick] ?? 0;
  const picks = [pick];
  for (let c = columns.length - 1; c >= 1; c -= 1) {
    pick = backs[c - 1]?.[pick] ?? 0;
    picks.unshift(pick);
  }
  return { picks, cost };
}

/**
 * The least cost of any path through each place of each column: the least of them all is that of the cheapest path.
 * Takes twice its time.
 */
export function leastThrough<Place>(
  columns: readonly (readonly Place[])[],
  own: (place: Place, column: number) => number,
  step: (a: Place, b: Place, column: number) => number,
): readonly Float64Array[] {
  const upTo: Float64Array[] = [];
  columns.forEach((here, c) => {
    const before = columns[c - 1] ?? [];
    upTo.push(
      Float64Array.from(here, (b) => {
        const come = before.map((a, i) => (upTo[c - 1]?.[i] ?? Infinity) + step(a, b, c));
        return own(b, c) + (c === 0 ? 0 : Math.min(...come));
      }),
    );
  });
  const after: Float64Array[] = [];
  for (let c = columns.length - 1; c >= 0; c -= 1) {
    const next = columns[c + 1] ?? [];
    after[c] = Float64Array.from(columns[c] ?? [], (a) =>
      next.length === 0
        ? 0
        : Math.min(...next.map((b, i) => step(a, b, c + 1) + own(b, c + 1) + (after[c + 1]?.[i] ?? 0))),
    );
  }
  return upTo.map((costs, c) => costs.map((cost, k) => cost + (after[c]?.[k] ?? 0)));
}
