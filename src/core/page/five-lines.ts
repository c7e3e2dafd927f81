import type { Strips } from './plane';
import { quantile } from './quantile';

export const LINES = 5;
/** Distances that are tried, as shares of that of the page: what is nearer is larger. */
export const SCALES = [0.88, 0.91, 0.94, 0.97, 1, 1.03, 1.06, 1.09, 1.12] as const;

/** How much a row looks like a thin line: darker than what lies a third of a space above and below. */
function ridgesOf(row: Float32Array, space: number): Float32Array {
  const apart = Math.max(2, Math.round(space * 0.3));
  const ridges = new Float32Array(row.length);
  for (let y = apart; y < row.length - apart; y += 1)
    ridges[y] = (row[y] ?? 0) - ((row[y - apart] ?? 0) + (row[y + apart] ?? 0)) / 2;
  return ridges;
}

/** Greys that are told apart where lines are told from paper. */
const LEVELS = 128;

/** The level at which values from 0 to 1 fall best into two heaps (Otsu 1979), 0 to 1. */
function parted(values: readonly number[]): number {
  const counts = new Float64Array(LEVELS);
  let [all, moment] = [0, 0];
  for (const v of values) {
    const level = Math.max(0, Math.min(LEVELS - 1, Math.floor(v * LEVELS)));
    counts[level] = (counts[level] ?? 0) + 1;
    all += 1;
    moment += level;
  }
  let [below, momentBelow, best, most] = [0, 0, 0, -1];
  for (let i = 0; i < LEVELS - 1; i += 1) {
    below += counts[i] ?? 0;
    momentBelow += i * (counts[i] ?? 0);
    const above = all - below;
    if (below === 0 || above === 0) continue;
    const apart = momentBelow / below - (moment - momentBelow) / above;
    if (below * above * apart * apart > most) {
      most = below * above * apart * apart;
      best = i;
    }
  }
  return (best + 1) / LEVELS;
}

/** By strip: how much each row looks like a line. */
export const ridgesIn = (strips: Strips, space: number): readonly Float32Array[] =>
  strips.rows.map((row) => ridgesOf(row, space));

/** The least contrast that lines are taken to have. */
const LEAST = 0.02;

/** The contrast of the lines of a page, as measured on it: what is no paper is mostly line, be there many or few. */
export function contrastOf(ridges: readonly Float32Array[], space: number): number {
  const darkest: number[] = [];
  for (const row of ridges)
    for (let from = 0; from < row.length; from += Math.ceil(space)) {
      let most = 0;
      for (let y = from; y < Math.min(row.length, from + space); y += 1) most = Math.max(most, row[y] ?? 0);
      darkest.push(most);
    }
  const least = parted(darkest);
  const lines = darkest.filter((v) => v >= least);
  return Math.max(LEAST, quantile(lines, 0.5));
}

/** Strips to each side in which a staff goes on. */
const BESIDE = 4;
/** Distances at which it is looked how dark lines are, as shares of that of the page. */
const AROUND = [0.94, 1, 1.06] as const;
/** What is paler is paper that has no grain. */
const WHITE = 0.003;
/** Of paper with grain this one, by darkness, is as it mostly is; and a line is so many times darker. */
const GRAIN = { share: 0.3, times: 3 } as const;

/** The second palest of five values. */
function secondPalest(a: number, b: number, c: number, d: number, e: number): number {
  let [least, next] = a < b ? [a, b] : [b, a];
  for (const v of [c, d, e]) {
    if (v < least) {
      next = least;
      least = v;
    } else if (v < next) next = v;
  }
  return next;
}

/**
 * The same where the darkest of a page is no line: the edge of a page, a finger, a table. All but one of five lines are
 * dark in the same strip, and so in those beside. Null where nothing is darker than the grain of the paper.
 */
export function faintContrastOf(ridges: readonly Float32Array[], space: number): number | null {
  const block = Math.ceil(LINES * space);
  const combs = AROUND.map((share) => Array.from({ length: LINES }, (_, k) => Math.round(k * space * share)));
  const darkest = ridges.map((row) => {
    const wide = row.map((v, y) => Math.max(v, row[y - 1] ?? 0, row[y + 1] ?? 0));
    const best: number[] = [];
    for (let from = 0; from < row.length; from += block) {
      let most = 0;
      for (const [a = 0, b = 0, c = 0, d = 0, e = 0] of combs)
        for (let y = from; y < from + block && y + e < row.length; y += 1)
          most = Math.max(
            most,
            secondPalest(wide[y + a] ?? 0, wide[y + b] ?? 0, wide[y + c] ?? 0, wide[y + d] ?? 0, wide[y + e] ?? 0),
          );
      best.push(most);
    }
    return best;
  });
  const steady = darkest.flatMap((row, s) =>
    row.map((_, b) =>
      quantile(
        Array.from({ length: 2 * BESIDE + 1 }, (__, k) => darkest[s + k - BESIDE]?.[b] ?? 0),
        0.5,
      ),
    ),
  );
  const grain = quantile(
    steady.filter((v) => v > WHITE),
    GRAIN.share,
  );
  const lines = steady.filter((v) => v > GRAIN.times * grain);
  return lines.length === 0 ? null : Math.max(LEAST, quantile(lines, 0.75));
}

export interface Evidence {
  /** By strip: how much of five lines there is where a row is the first of them, 0 to 1. */
  readonly worth: readonly Float32Array[];
  /** By strip: the scale at which that is so. */
  readonly scale: readonly Uint8Array[];
  readonly contrast: number;
}

/** Five lines from each row down, and none where a sixth would be. */
export function evidenceOf(ridges: readonly Float32Array[], contrast: number, space: number): Evidence {
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
