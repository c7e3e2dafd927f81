import { quantile } from './quantile';

/** The middle of the values around each, which one wrong value does not move. */
export function medians(values: readonly number[], around: number): number[] {
  return values.map((_, i) => quantile(values.slice(Math.max(0, i - around), i + around + 1), 0.5));
}

/** A straight line through the values around each, those far from it left out (locally weighted, Cleveland 1979). */
export function smoothed(values: readonly number[], around: number): number[] {
  const steady = medians(values, 3);
  return values.map((_, i) => {
    let [n, sx, sy, sxx, sxy] = [0, 0, 0, 0, 0];
    for (let k = Math.max(0, i - around); k <= Math.min(values.length - 1, i + around); k += 1) {
      const value = values[k] ?? 0;
      if (Math.abs(value - (steady[k] ?? 0)) > 1.5) continue;
      const weight = (1 - (Math.abs(k - i) / (around + 1)) ** 3) ** 3;
      const x = k - i;
      n += weight;
      sx += weight * x;
      sy += weight * value;
      sxx += weight * x * x;
      sxy += weight * x * value;
    }
    const det = n * sxx - sx * sx;
    return n === 0 ? (steady[i] ?? 0) : det < 1e-9 ? sy / n : (sxx * sy - sx * sxy) / det;
  });
}
