import { valueAt, type Plane } from './plane';
import type { TracedStaff } from './traced-staff';

/** Lines of a staff, and the spaces between them. */
export const LAST_LINE = 4;
const GAPS = 4;
/** Where in a space it is looked, as shares of it: away from the lines. */
const IN_GAP = [0.32, 0.44, 0.56, 0.68] as const;
/** Beside a stroke, in spaces: far enough from a thick one. */
const BESIDE = [0.42, 0.52, 0.62] as const;

/** First line of a staff at a column, also beyond its ends. */
export function topAt(staff: TracedStaff, x: number): number {
  const i = Math.max(0, Math.min(staff.top.length - 1, Math.round(x) - staff.left));
  const beyond = Math.round(x) - staff.left - i;
  const n = staff.top.length;
  const slope =
    n > 40
      ? i === 0
        ? ((staff.top[40] ?? 0) - (staff.top[0] ?? 0)) / 40
        : ((staff.top[n - 1] ?? 0) - (staff.top[n - 41] ?? 0)) / 40
      : 0;
  return (staff.top[i] ?? 0) + slope * beyond;
}
/** How dark a stroke may be expected to be at a column of a staff: as dark as the lines there. */
export const contrastAt = (staff: TracedStaff, x: number): number =>
  staff.contrast[Math.max(0, Math.min(staff.contrast.length - 1, Math.round(x) - staff.left))] ?? 1;
export const spaceAt = (staff: TracedStaff, x: number): number =>
  staff.space[Math.max(0, Math.min(staff.space.length - 1, Math.round(x) - staff.left))] ?? 0;

/** How far to the right upright lines go for a pixel downwards, across the page. */
export interface Uprights {
  readonly at: (x: number) => number;
}

/** Mostly the palest of four; a pencil may have gone over one. */
function palest(values: ArrayLike<number>): number {
  let a = Infinity;
  let b = Infinity;
  for (let i = 0; i < values.length; i += 1) {
    const v = values[i] ?? 0;
    if (v < a) {
      b = a;
      a = v;
    } else if (v < b) b = v;
  }
  return 0.7 * a + 0.3 * b;
}

const here = new Float64Array(GAPS);
const contrasts = new Float64Array(GAPS);

/**
 * How much darker a column of a staff is than what lies beside it, along an upright line, where it is palest: from 0 to
 * 1. `x` is where the line crosses the middle of the staff; less than `least` is not looked at closely, and 0.
 */
export function strokeAt(plane: Plane, staff: TracedStaff, x: number, slope: number, least: number): number {
  const top = topAt(staff, x);
  const space = spaceAt(staff, x);
  for (let gap = 0; gap < GAPS; gap += 1) {
    let ink = 0;
    for (const share of IN_GAP)
      ink += valueAt(plane, x + slope * (gap + share - 2) * space, top + (gap + share) * space);
    here[gap] = ink / IN_GAP.length;
  }
  if (palest(here) < least) return 0;
  for (let gap = 0; gap < GAPS; gap += 1) {
    let [left, right] = [0, 0];
    for (const share of IN_GAP) {
      const y = top + (gap + share) * space;
      const cx = x + slope * (gap + share - 2) * space;
      for (const by of BESIDE) {
        left += valueAt(plane, cx - by * space, y);
        right += valueAt(plane, cx + by * space, y);
      }
    }
    contrasts[gap] = (here[gap] ?? 0) - Math.min(left, right) / (IN_GAP.length * BESIDE.length);
  }
  return Math.max(0, palest(contrasts));
}

/** The two spaces beside the middle line, where a stroke is whatever its slope: no stroke is where both are pale. */
const MIDDLE = [1.5, 2.5] as const;

/** Whether a stroke may cross the middle of a staff at a column: cheap, asked before it is looked at closely. */
export function mayBeStroke({ width, height, values }: Plane, staff: TracedStaff, x: number, least: number): boolean {
  const top = topAt(staff, x);
  const space = spaceAt(staff, x);
  const column = Math.round(x);
  return MIDDLE.some((at) => {
    const y = Math.round(top + at * space);
    if (y < 0 || y >= height) return false;
    for (let dx = -2; dx <= 2; dx += 1) {
      const cx = column + dx;
      if (cx >= 0 && cx < width && (values[y * width + cx] ?? 0) >= least) return true;
    }
    return false;
  });
}

const SIDES = [-1, 1] as const;
const OFFSETS = [0.34, 0.46, 0.58, 0.7, 0.82, 0.94] as const;
const GAP_SHARES = [0.3, 0.5, 0.7] as const;

/**
 * How much stands beside a stroke that is no stroke itself: what is darker in one space than in another. A head, a
 * figure of the meter or an accidental is; another stroke is as dark in all of them.
 */
export function busyBeside(plane: Plane, staff: TracedStaff, x: number, slope: number): number {
  const top = topAt(staff, x);
  const space = spaceAt(staff, x);
  const busy = SIDES.map((side) => {
    let sum = 0;
    for (const offset of OFFSETS) {
      let [most, least] = [0, Infinity];
      for (let gap = 0; gap < LAST_LINE; gap += 1) {
        let dark = 0;
        for (const share of GAP_SHARES) {
          const y = top + (gap + share) * space;
          dark += valueAt(plane, x + slope * (y - top - 2 * space) + side * offset * space, y) / GAP_SHARES.length;
        }
        most = Math.max(most, dark);
        least = Math.min(least, dark);
      }
      sum += most - least;
    }
    return sum / OFFSETS.length;
  });
  return Math.max(...busy);
}

/** The line that closes a staff is upright for certain. */
const AT_THE_END = 6;

const SLOPES = Array.from({ length: 13 }, (_, i) => (i - 6) * 0.02);
const WINDOWS = 8;

/**
 * The direction of upright lines over a page: of those that lean evenly more to one side from left to right, that along
 * which strokes through the staves are darkest.
 */
export function uprightsOf(plane: Plane, staves: readonly TracedStaff[], headInk: number): Uprights {
  const energy = SLOPES.map(() => new Float64Array(WINDOWS));
  const window = plane.width / WINDOWS;
  for (const staff of staves)
    for (let x = staff.left; x <= staff.right + spaceAt(staff, staff.right); x += 1) {
      const contrast = contrastAt(staff, x);
      if (!mayBeStroke(plane, staff, x, 0.5 * contrast)) continue;
      SLOPES.forEach((slope, s) => {
        const stroke = Math.min(1.2, strokeAt(plane, staff, x, slope, 0.5 * contrast) / contrast);
        // Stems have heads and flags, which are not upright.
        if (stroke < 0.5) return;
        const isEnd = Math.abs(x - staff.right) < 1.2 * spaceAt(staff, x);
        const clean = isEnd ? AT_THE_END : 1 - busyBeside(plane, staff, x, slope) / headInk / 0.5;
        if (clean <= 0) return;
        const w = Math.min(WINDOWS - 1, Math.floor(x / window));
        const sums = energy[s];
        if (sums) sums[w] = (sums[w] ?? 0) + clean * stroke ** 3;
      });
    }
  const at = (slope: number, w: number): number => {
    const i = Math.max(0, Math.min(SLOPES.length - 1.001, (slope + 0.12) / 0.02));
    const f = i - Math.floor(i);
    return (energy[Math.floor(i)]?.[w] ?? 0) * (1 - f) + (energy[Math.floor(i) + 1]?.[w] ?? 0) * f;
  };
  let best = { value: -1, a: 0, b: 0 };
  for (let a = -0.1; a <= 0.1001; a += 0.01)
    for (let b = -0.12; b <= 0.1201; b += 0.02) {
      let value = 0;
      for (let w = 0; w < WINDOWS; w += 1) value += at(a + b * ((w + 0.5) / WINDOWS - 0.5), w);
      // Of two that are as good the plainer one.
      value *= 1 - 0.2 * Math.abs(b) - 0.2 * Math.abs(a);
      if (value > best.value) best = { value, a, b };
    }
  const { a, b } = best;
  return { at: (x) => a + b * (x / plane.width - 0.5) };
}
