import type { Strips } from './plane';

export const LINES = 5;
/** Distances that are tried, as shares of that of the page: what is nearer is larger. */
export const SCALES = [0.88, 0.91, 0.94, 0.97, 1, 1.03, 1.06, 1.09, 1.12] as const;

/** How much a row looks like a thin line: darker than what lies a third of a space above and below. */
export function ridgesOf(row: Float32Array, space: number): Float32Array {
  const apart = Math.max(2, Math.round(space * 0.3));
  const ridges = new Float32Array(row.length);
  for (let y = apart; y < row.length - apart; y += 1)
    ridges[y] = (row[y] ?? 0) - ((row[y - apart] ?? 0) + (row[y + apart] ?? 0)) / 2;
  return ridges;
}

/** The contrast of the lines of a page, as measured on it: that of its clearest rows. */
function contrastOf(ridges: readonly Float32Array[], space: number): number {
  // Five lines in each place where there is a staff: of all rows a few in a hundred.
  const best: number[] = [];
  for (const row of ridges) {
    for (let from = 0; from < row.length; from += Math.ceil(space)) {
      let most = 0;
      for (let y = from; y < Math.min(row.length, from + space); y += 1) most = Math.max(most, row[y] ?? 0);
      best.push(most);
    }
  }
  best.sort((a, b) => b - a);
  return best[Math.floor(best.length * 0.05)] ?? 0;
}

export interface Evidence {
  /** By strip: how much of five lines there is where a row is the first of them, 0 to 1. */
  readonly worth: readonly Float32Array[];
  /** By strip: the scale at which that is so. */
  readonly scale: readonly Uint8Array[];
  readonly contrast: number;
}

/** Five lines from each row down, and none where a sixth would be. */
export function evidenceOf(strips: Strips, space: number): Evidence {
  const ridges = strips.rows.map((row) => ridgesOf(row, space));
  const contrast = Math.max(0.02, contrastOf(ridges, space));
  const worth: Float32Array[] = [];
  const scale: Uint8Array[] = [];
  for (const row of ridges) {
    const capped = row.map((r) => Math.max(-0.5, Math.min(1, r / contrast)));
    const best = new Float32Array(row.length).fill(-1);
    const at = new Uint8Array(row.length);
    SCALES.forEach((share, s) => {
      const apart = space * share;
      const offsets = Array.from({ length: LINES + 2 }, (_, k) => Math.round((k - 1) * apart));
      const [above = 0, l0 = 0, l1 = 0, l2 = 0, l3 = 0, l4 = 0, below = 0] = offsets;
      for (let y = -above; y < row.length - below; y += 1) {
        const lines =
          (capped[y + l0] ?? 0) +
          (capped[y + l1] ?? 0) +
          (capped[y + l2] ?? 0) +
          (capped[y + l3] ?? 0) +
          (capped[y + l4] ?? 0);
        const beyond = Math.max(0, capped[y + above] ?? 0) + Math.max(0, capped[y + below] ?? 0);
        const value = (lines - 0.6 * beyond) / LINES;
        if (value > (best[y] ?? 0)) {
          best[y] = value;
          at[y] = s;
        }
      }
    });
    worth.push(best);
    scale.push(at);
  }
  return { worth, scale, contrast };
}
