import { contrastOf, evidenceOf, faintContrastOf, LINES, ridgesIn, SCALES, type Evidence } from './five-lines';
import { stripsOf, type Plane } from './plane';
import { quantile } from './quantile';
import { medians, smoothed } from './smooth';
import { withoutGaps } from './staff-pieces';
import type { TracedStaff } from './traced-staff';
import { waysAcross } from './ways-across';

/** Of five lines so much is there where a staff is. */
const THERE = 0.4;
/** Of a staff at least so many spaces are seen. */
const SHORTEST = 9;
/** A staff does not end where it cannot be seen for so many spaces. */
const LONGEST_GAP = 5;
/** What is less clear than this, of what the clearest staves of a page are, is none. */
const LEAST_CLEAR = 0.8;
/** Nor what is less clear than this, as long as it may be. */
const LEAST_LONG = 0.72;
/** A staff shorter than this, in spaces, begins where the others do, but for so many; else it is none. */
const ASTRAY = { shorter: 20, off: 4 } as const;
/** Where not even the clearest staves are as clear as this, there are none: of noise a part lies in lines, too. */
const SURE = 0.56;
const MOST_STAVES = 80;
/** Ways are looked for again without what was found, so many times at most. */
const ROUNDS = 8;
/** A way that has less of a staff, in spaces, has none. */
const LEAST_WORTH = 4;
/** Pixels from strip to strip. */
const STEP = 12;

const mean = (values: readonly number[]): number => values.reduce((a, b) => a + b, 0) / Math.max(1, values.length);

/** Runs of strips on a way where a staff is seen, gaps that are short with them. */
function runsOn(
  rows: Int32Array,
  worth: readonly Float32Array[],
  space: number,
): readonly (readonly [number, number])[] {
  const seen = Array.from(rows, (y, s) => (worth[s]?.[y] ?? 0) >= THERE);
  const runs: [number, number][] = [];
  seen.forEach((is, s) => {
    if (!is) return;
    const last = runs[runs.length - 1];
    if (last && (s - last[1]) * STEP <= LONGEST_GAP * space) last[1] = s;
    else runs.push([s, s]);
  });
  return runs.filter(([a, b]) => {
    const share = seen.slice(a, b + 1).filter(Boolean).length / (b - a + 1);
    return (b - a + 1) * STEP >= SHORTEST * space && share >= 0.6;
  });
}

/** First line and distance in one strip, to a fraction of a pixel: those at which five lines are darkest. */
function settled(row: Float32Array, y: number, apart: number): readonly [number, number] {
  let best: readonly [number, number] = [y, apart];
  let most = -Infinity;
  const at = (p: number): number => {
    const i = Math.floor(p);
    const f = p - i;
    return (row[i] ?? 0) * (1 - f) + (row[i + 1] ?? 0) * f;
  };
  for (let dy = -1.5; dy <= 1.5; dy += 0.25)
    for (let ds = -0.06; ds <= 0.0601; ds += 0.01) {
      const space = apart * (1 + ds);
      // The distance grows around the middle line.
      const first = y + dy - (space - apart) * 2;
      let value = 0;
      for (let k = 0; k < LINES; k += 1) value += at(first + k * space);
      if (value > most) {
        most = value;
        best = [first, space];
      }
    }
  return best;
}

/** The contrast of each of five lines in one strip, the palest first. */
function linesOf(ridges: Float32Array, top: number, apart: number): readonly number[] {
  return Array.from({ length: LINES }, (_, k) => {
    const y = Math.round(top + k * apart);
    return Math.max(ridges[y - 1] ?? 0, ridges[y] ?? 0, ridges[y + 1] ?? 0);
  }).sort((a, b) => a - b);
}

/** The column near another at which lines begin or end: most of them on its one side, least on the other. */
function edgeNear(
  plane: Plane,
  topAt: (x: number) => number,
  spaceAt: (x: number) => number,
  near: number,
  space: number,
  dir: -1 | 1,
): number {
  const reach = Math.round(2.2 * space);
  const line = (x: number): number => {
    let value = 0;
    for (let k = 0; k < LINES; k += 1) {
      const y = Math.round(topAt(x) + k * spaceAt(x));
      const gap = Math.round(space * 0.35);
      const at = (dy: number): number => plane.values[(y + dy) * plane.width + x] ?? 0;
      // Thinner than a pixel, or between two.
      value += Math.min(1, Math.max(at(0), at(-1), at(1)) - Math.min(at(-gap), at(gap)));
    }
    return value / LINES;
  };
  const width = Math.round(space);
  const presence: number[] = [];
  for (let x = near - reach - width; x <= near + reach + width; x += 1)
    presence.push(x < 0 || x >= plane.width ? 0 : line(x));
  const sums = [0];
  for (const p of presence) sums.push((sums[sums.length - 1] ?? 0) + p);
  const between = (a: number, b: number): number => ((sums[b] ?? 0) - (sums[a] ?? 0)) / Math.max(1, b - a);
  let best = near;
  let most = -Infinity;
  for (let i = width; i <= presence.length - width; i += 1) {
    const inside = dir < 0 ? between(i, i + width) : between(i - width, i);
    const outside = dir < 0 ? between(i - width, i) : between(i, i + width);
    if (inside - outside > most) {
      most = inside - outside;
      best = near - reach - width + i;
    }
  }
  return Math.max(0, Math.min(plane.width - 1, dir < 0 ? best : best - 1));
}

/** Where lines are looked for: a page in strips, and how much each row of them looks like a line. */
interface Lines {
  readonly plane: Plane;
  readonly space: number;
  /** Pixels that a strip is wide. */
  readonly wide: number;
  readonly ridges: readonly Float32Array[];
}

/** Beyond the ends of a staff its lines are darker than its spaces by less than this share of what they mostly are. */
const BEYOND = 0.5;
/** Spaces with more ink than this hide the lines beside them. */
const HIDDEN = 0.18;
/** Strips that a clef hides at most, with a key. */
const CLEF = 8;

/**
 * The strips of a run in which there is a staff: a table beside a page has a line here and there, too. Those are kept,
 * one after another, in which lines are darker than spaces by most more than beyond (greatest sum, Kadane 1984).
 */
function within(
  { width, height, values }: Plane,
  count: number,
  columnOf: (strip: number) => number,
  topAt: (x: number) => number,
  spaceAt: (x: number) => number,
): readonly [number, number] {
  const darker = Float32Array.from({ length: count }, (_, s) => {
    let [lines, spaces] = [0, 0];
    for (let dx = -STEP / 2; dx < STEP / 2; dx += 1) {
      const x = Math.round(columnOf(s) + dx);
      if (x < 0 || x >= width) continue;
      for (let half = 0; half < 2 * LINES - 1; half += 1) {
        const y = Math.round(topAt(x) + (half * spaceAt(x)) / 2);
        const ink = y >= 0 && y < height ? (values[y * width + x] ?? 0) : 0;
        if (half % 2 === 0) lines += ink / LINES / STEP;
        else spaces += ink / (LINES - 1) / STEP;
      }
    }
    // A clef or a chord hides the lines: nothing is known there.
    return spaces > HIDDEN ? NaN : lines - spaces;
  });
  const usual = quantile(
    [...darker].filter((v) => !Number.isNaN(v)),
    0.5,
  );
  let best: readonly [number, number, number] = [0, count - 1, -Infinity];
  let [from, sum] = [0, 0];
  darker.forEach((value, i) => {
    if (sum <= 0) [from, sum] = [i, 0];
    if (!Number.isNaN(value)) sum += Math.min(2 * usual, value) - BEYOND * usual;
    if (sum > best[2]) best = [from, i, sum];
  });
  // At the beginning stands a clef.
  let begin = best[0];
  while (begin > 0 && best[0] - begin < CLEF && Number.isNaN(darker[begin - 1] ?? 0)) begin -= 1;
  return [begin, best[1]];
}

/** One staff from a run of strips, its lines followed piece by piece. */
function staffOf(
  { plane, space, wide, ridges: all }: Lines,
  way: Int32Array,
  evidence: Evidence,
  [a, b]: readonly [number, number],
): TracedStaff {
  const tops: number[] = [];
  const spaces: number[] = [];
  const lines: number[] = [];
  let whole = 0;
  for (let s = a; s <= b; s += 1) {
    const y = way[s] ?? 0;
    const share = SCALES[evidence.scale[s]?.[y] ?? 4] ?? 1;
    const ridges = all[s] ?? new Float32Array(0);
    const capped = ridges.map((r) => Math.max(-0.5, Math.min(1, r / evidence.contrast)));
    const [top, apart] = settled(capped, y, space * share);
    tops.push(top);
    spaces.push(apart);
    const contrasts = linesOf(ridges, top, apart);
    lines.push(contrasts[2] ?? 0);
    // Heads and beams hide a line; of noise there are never four.
    whole += Math.max(0, Math.min(1, (contrasts[1] ?? 0) / evidence.contrast));
  }
  const spaceAtStrip = smoothed(spaces, 9);
  const middles = smoothed(
    tops.map((t, i) => t + 2 * (spaces[i] ?? space)),
    4,
  );
  const contrasts = medians(lines, 12);
  const middleOf = (s: number): number => a * STEP + s * STEP + wide / 2;
  const along = (values: readonly number[], x: number): number => {
    const at = (x - middleOf(0)) / STEP;
    const i = Math.max(0, Math.min(values.length - 2, Math.floor(at)));
    const [p = 0, q = p] = [values[i], values[i + 1]];
    return values.length < 2 ? (values[0] ?? 0) : p + (q - p) * (at - i);
  };
  const spaceAt = (x: number): number => along(spaceAtStrip, x);
  const topAt = (x: number): number => along(middles, x) - 2 * spaceAt(x);
  const [begin, end] = within(plane, b - a + 1, middleOf, topAt, spaceAt);
  const left = edgeNear(plane, topAt, spaceAt, Math.round(middleOf(begin) - wide / 2), space, -1);
  const right = edgeNear(plane, topAt, spaceAt, Math.round(middleOf(end) + wide / 2), space, 1);
  const length = Math.max(1, right - left + 1);
  const worths = tops.map((_, i) => evidence.worth[a + i]?.[way[a + i] ?? 0] ?? 0);
  return {
    left,
    right,
    top: Float32Array.from({ length }, (_, i) => topAt(left + i)),
    space: Float32Array.from({ length }, (_, i) => spaceAt(left + i)),
    contrast: Float32Array.from({ length }, (_, i) => Math.max(0.02, along(contrasts, left + i))),
    certainty: Math.max(0, Math.min(1, mean(worths))) * Math.min(1, 2 * (whole / tops.length)),
  };
}

/** Where the middle line of a staff is in its middle. */
function rowOf({ top, space }: TracedStaff): number {
  const i = Math.floor(top.length / 2);
  return (top[i] ?? 0) + 2 * (space[i] ?? 0);
}

/** Staves of a page whose lines have a contrast, from the highest to the lowest. */
function tracedAt(lines: Lines, contrast: number): readonly TracedStaff[] {
  const { plane, space } = lines;
  const evidence = evidenceOf(lines.ridges, contrast, space);
  const { worth } = evidence;
  const staves: TracedStaff[] = [];
  const near = Math.round(4.6 * space);
  for (let round = 0; round < ROUNDS; round += 1) {
    const { value, endingIn } = waysAcross(worth);
    const ends = Array.from(value.keys())
      .filter(
        (y) =>
          (value[y] ?? 0) * STEP >= LEAST_WORTH * space &&
          (value[y] ?? 0) >= (value[y - 1] ?? 0) &&
          (value[y] ?? 0) > (value[y + 1] ?? 0),
      )
      .sort((a, b) => (value[b] ?? 0) - (value[a] ?? 0));
    let found = 0;
    for (const end of ends) {
      if (staves.length >= MOST_STAVES) break;
      const rows = endingIn(end);
      // A way that goes where another went before it is found again in the next round, without that.
      const runs = runsOn(rows, worth, space);
      for (const run of runs) staves.push(staffOf(lines, rows, evidence, run));
      found += runs.length;
      // What was followed is not followed again, nor what shares lines with it.
      for (const [a, b] of runs)
        for (let s = Math.max(0, a - 2); s <= Math.min(worth.length - 1, b + 2); s += 1) {
          const y = rows[s] ?? 0;
          worth[s]?.fill(-1, Math.max(0, y - near), y + near + 1);
        }
    }
    if (found === 0) break;
  }
  const clear = staves
    .map((t) => t.certainty)
    .filter((c) => c >= SURE)
    .sort((a, b) => b - a);
  const usual = clear[Math.min(1, clear.length - 1)];
  if (usual === undefined) return [];
  const margin = quantile(
    staves.map((t) => t.left),
    0.5,
  );
  const isAstray = (t: TracedStaff): boolean =>
    t.right - t.left < ASTRAY.shorter * space && Math.abs(t.left - margin) > ASTRAY.off * space;
  const isLong = (t: TracedStaff): boolean => t.right - t.left > 0.35 * plane.width;
  return withoutGaps(plane, space, staves)
    .filter((t) => !isAstray(t) && t.certainty >= (isLong(t) ? LEAST_LONG : LEAST_CLEAR) * usual)
    .sort((a, b) => rowOf(a) - rowOf(b));
}

/**
 * The staves of a page whose lines lie about `space` apart and run nearly level, from top to bottom: five lines and no
 * sixth, followed from strip to strip, the clearest first. In the manner of "stable paths" (dos Santos Cardoso et al.,
 * "Staff detection with stable paths", IEEE TPAMI 31, 2009), for five lines at once.
 */
export function traceStaves(plane: Plane, space: number): readonly TracedStaff[] {
  const wide = Math.round(1.7 * space);
  const lines = { plane, space, wide, ridges: ridgesIn(stripsOf(plane, wide, STEP), space) };
  const found = tracedAt(lines, contrastOf(lines.ridges, space));
  if (found.length > 0) return found;
  const faint = faintContrastOf(lines.ridges, space);
  return faint === null ? [] : tracedAt(lines, faint);
}
