import type { Strips } from './plane';

/** Radians of the widest tilt that is looked for, and of the steps in which it is. */
const WIDEST = 0.14;
const STEP = 0.005;
/** Strips in a band: over a whole page a bent line is no straight one. */
const BAND = 20;
/** Rows from a line to the paper above and below it. */
const APART = 4;

/** Rows of one band summed along lines of a slope. */
function alongLines({ step, rows }: Strips, from: number, to: number, slope: number): Float32Array {
  const height = rows[0]?.length ?? 0;
  const sum = new Float32Array(height);
  for (let s = from; s < to; s += 1) {
    const row = rows[s];
    const exact = (s - (from + to - 1) / 2) * step * slope;
    const by = Math.floor(exact);
    const share = exact - by;
    if (!row) continue;
    const [first, last] = [Math.max(0, -by), Math.min(height, height - by) - 1];
    for (let y = first; y < last; y += 1)
      sum[y] = (sum[y] ?? 0) + (row[y + by] ?? 0) * (1 - share) + (row[y + by + 1] ?? 0) * share;
  }
  return sum;
}

/** How much darker a row is than both that above and that below: the edge of a page is no line. */
const ridgeAt = (sum: Float32Array, y: number, apart: number): number =>
  (sum[y] ?? 0) - Math.max(sum[y - apart] ?? 0, sum[y + apart] ?? 0);

/** How much rows differ from those a little above and below: much where lines lie along them. */
function sharpness(sum: Float32Array): number {
  let energy = 0;
  for (let y = APART; y < sum.length - APART; y += 1) {
    const ridge = Math.min(BAND * 0.5, ridgeAt(sum, y, APART));
    if (ridge > 0) energy += ridge * ridge;
  }
  return energy;
}

const softened = (row: Float32Array): Float32Array =>
  row.map((v, y) => ((row[y - 1] ?? v) + 2 * v + (row[y + 1] ?? v)) / 4);

/** How far beside a peak its summit lies: that of the parabola through it and its neighbours. */
function besidePeak(values: ArrayLike<number>, peak: number): number {
  const before = values[peak - 1] ?? 0;
  const after = values[peak + 1] ?? 0;
  const curve = before - 2 * (values[peak] ?? 0) + after;
  return curve < 0 ? (before - after) / (2 * curve) : 0;
}

/**
 * The slope of the lines on a page, downwards to the right, in pixels to a pixel: that along which its rows differ most
 * from their neighbours (projection profiles, Postl 1986), band by band.
 */
export function tiltOf(sharp: Strips): number {
  // Softer by a row up and down: else a slope that goes by whole rows from strip to strip has the sharpest lines.
  const strips = { ...sharp, rows: sharp.rows.map(softened) };
  const bands = Math.max(1, Math.floor(strips.rows.length / BAND));
  const steps = Math.round(WIDEST / STEP);
  const energies = Array.from({ length: 2 * steps + 1 }, (_, i) => {
    const slope = (i - steps) * STEP;
    let energy = 0;
    for (let b = 0; b < bands; b += 1) energy += sharpness(alongLines(strips, b * BAND, (b + 1) * BAND, slope));
    return energy;
  });
  const best = energies.indexOf(Math.max(...energies));
  return (best - steps + besidePeak(energies, best)) * STEP;
}

/** The widest distance of staff lines that is looked for. */
const FARTHEST = 64;
const NEAREST = 4;
const NEARLY = 0.7;

export interface StaffSpace {
  /** Rows from line to line; 0 where there are no lines. */
  readonly space: number;
  /** How much of the page comes again at this distance. */
  readonly strength: number;
}

/**
 * The distance between two staff lines in rows: that at which the lines of a page come again most often
 * (autocorrelation of its ridges).
 */
export function staffSpace(strips: Strips, slope: number): StaffSpace {
  const bands = Math.max(1, Math.floor(strips.rows.length / BAND));
  const again = new Float64Array(FARTHEST + 2);
  for (let b = 0; b < bands; b += 1) {
    const sum = softened(alongLines(strips, b * BAND, (b + 1) * BAND, slope));
    const ridges = new Float32Array(sum.length);
    for (let y = 3; y < sum.length - 3; y += 1) {
      // A dark bar is not worth more than a line.
      ridges[y] = Math.max(0, Math.min(BAND * 0.5, ridgeAt(sum, y, 3)));
    }
    for (let lag = 1; lag <= FARTHEST + 1; lag += 1) {
      let value = 0;
      for (let y = 0; y + lag < ridges.length; y += 1) value += (ridges[y] ?? 0) * (ridges[y + lag] ?? 0);
      again[lag] = (again[lag] ?? 0) + value;
    }
  }
  const peaks: number[] = [];
  for (let lag = NEAREST; lag <= FARTHEST; lag += 1) {
    const here = again[lag] ?? 0;
    if (here > (again[lag - 1] ?? 0) && here >= (again[lag + 1] ?? 0)) peaks.push(lag);
  }
  const most = Math.max(0, ...peaks.map((lag) => again[lag] ?? 0));
  // Twice the distance may fit the rows better; the first that is nearly as good is the distance itself.
  const best = peaks.find((lag) => (again[lag] ?? 0) >= NEARLY * most) ?? 0;
  if (best === 0) return { space: 0, strength: 0 };
  return { space: best + besidePeak(again, best), strength: again[best] ?? 0 };
}
