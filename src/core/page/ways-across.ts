/** Rows that a line may rise or fall from strip to strip. */
const MOST_SLOPE = 2;
/** What a row of difference between neighbours costs, of what five lines are worth. */
const BEND_COST = 0.03;
/** What it costs to go where there is nothing. */
const NOTHING = 0.01;

/** The ways across a page that have most of a staff on them, ending in each row (dynamic programming, Viterbi 1967). */
export interface Ways {
  /** By the row in which a way ends. */
  readonly value: Float32Array;
  /** A row for each strip. */
  readonly endingIn: (row: number) => Int32Array;
}

export function waysAcross(worth: readonly Float32Array[]): Ways {
  const height = worth[0]?.length ?? 0;
  const from: Int8Array[] = [];
  let sums = new Float32Array(height);
  worth.forEach((row, s) => {
    const next = new Float32Array(height);
    const step = new Int8Array(height);
    for (let y = 0; y < height; y += 1) {
      let best = sums[y] ?? 0;
      let by = 0;
      if (s > 0)
        for (let d = 1; d <= MOST_SLOPE; d += 1) {
          const cost = BEND_COST * d;
          const above = (sums[y - d] ?? -1) - cost;
          const below = (sums[y + d] ?? -1) - cost;
          if (above > best) {
            best = above;
            by = -d;
          }
          if (below > best) {
            best = below;
            by = d;
          }
        }
      const own = row[y] ?? 0;
      next[y] = best + (own > -NOTHING ? own : -NOTHING);
      step[y] = by;
    }
    from.push(step);
    sums = next;
  });
  return {
    value: sums,
    endingIn: (row) => {
      const rows = new Int32Array(worth.length);
      let y = row;
      for (let s = worth.length - 1; s >= 0; s -= 1) {
        rows[s] = y;
        y += from[s]?.[y] ?? 0;
      }
      return rows;
    },
  };
}
