/** Values from 0 (paper) to 1 (ink) of each pixel, row by row. */
export interface Plane {
  readonly width: number;
  readonly height: number;
  readonly values: Float32Array;
}

/** Middles of vertical strips of a plane, row by row: `rows[strip][y]`. */
export interface Strips {
  readonly step: number;
  readonly rows: readonly Float32Array[];
}

/** The mean of each row in strips that are `wide` pixels wide, every `step` pixels. */
export function stripsOf({ width, height, values }: Plane, wide: number, step: number): Strips {
  const count = Math.max(1, Math.floor((width - wide) / step) + 1);
  const rows = Array.from({ length: count }, () => new Float32Array(height));
  const sums = new Float64Array(width + 1);
  for (let y = 0; y < height; y += 1) {
    for (let x = 0; x < width; x += 1) sums[x + 1] = (sums[x] ?? 0) + (values[y * width + x] ?? 0);
    for (let s = 0; s < count; s += 1) {
      const from = s * step;
      const to = Math.min(width, from + wide);
      const row = rows[s];
      if (row) row[y] = ((sums[to] ?? 0) - (sums[from] ?? 0)) / (to - from);
    }
  }
  return { step, rows };
}

/** The value between four pixels; nothing outside. */
export function valueAt({ width, height, values }: Plane, x: number, y: number): number {
  const x0 = Math.floor(x);
  const y0 = Math.floor(y);
  if (x0 < 0 || y0 < 0 || x0 >= width - 1 || y0 >= height - 1) return 0;
  const at = y0 * width + x0;
  const fx = x - x0;
  const fy = y - y0;
  const above = (values[at] ?? 0) * (1 - fx) + (values[at + 1] ?? 0) * fx;
  const below = (values[at + width] ?? 0) * (1 - fx) + (values[at + width + 1] ?? 0) * fx;
  return above * (1 - fy) + below * fy;
}
