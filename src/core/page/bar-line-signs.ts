import { joinedAt } from './find-systems';
import { valueAt, type Plane } from './plane';
import { inStaff, type SystemLines } from './system-lines';
import type { TracedStaff } from './traced-staff';
import { busyBeside, contrastAt, LAST_LINE, mayBeStroke, spaceAt, strokeAt, topAt } from './upright-lines';

/**
 * How far the darkest of a column wanders from a straight line, in spaces: rests, flags and clefs wind, a bar line does
 * not.
 */
function windingOf(plane: Plane, staff: TracedStaff, x: number, slope: number): number {
  const top = topAt(staff, x);
  const space = spaceAt(staff, x);
  const places: (readonly [number, number])[] = [];
  for (let v = 0.2; v < LAST_LINE; v += 0.2) {
    if (Math.abs(v - Math.round(v)) < 0.15) continue;
    const y = top + v * space;
    let [mass, moment] = [0, 0];
    for (let dx = -0.4; dx <= 0.4001; dx += 0.08) {
      const ink = valueAt(plane, x + slope * (y - top - 2 * space) + dx * space, y);
      mass += ink;
      moment += ink * dx;
    }
    places.push([v - 2, mass > 0 ? moment / mass : 0]);
  }
  // What leans is straight all the same: how far the page leans here is known only roughly.
  const n = places.length;
  const middle = places.reduce((sum, [, dx]) => sum + dx, 0) / n;
  const lean = places.reduce((sum, [v, dx]) => sum + v * dx, 0) / places.reduce((sum, [v]) => sum + v * v, 0);
  return places.reduce((sum, [v, dx]) => sum + Math.abs(dx - middle - lean * v), 0) / n;
}

/** Beyond the outer line of a staff it is looked here, in spaces, and so far beside. */
const BEYOND = { at: [0.4, 0.5, 0.6, 0.7, 0.8, 0.9], beside: [0.35, 0.5, 0.65] } as const;

/**
 * How much ink goes on above or below a staff along an upright line, and how much darker it is than what lies beside:
 * a stem goes on or ends in a beam, the bar line of one staff ends.
 */
function beyond(
  plane: Plane,
  staff: TracedStaff,
  x: number,
  slope: number,
  side: 'above' | 'below',
): { readonly ink: number; readonly stroke: number } {
  const space = spaceAt(staff, x);
  const edge = side === 'above' ? topAt(staff, x) : topAt(staff, x) + LAST_LINE * space;
  const away = side === 'above' ? -1 : 1;
  const middle = topAt(staff, x) + 2 * space;
  let [ink, left, right] = [0, 0, 0];
  for (const share of BEYOND.at) {
    const y = edge + away * share * space;
    const cx = x + slope * (y - middle);
    ink += (valueAt(plane, cx - 0.7, y) + valueAt(plane, cx, y) + valueAt(plane, cx + 0.7, y)) / 3;
    for (const by of BEYOND.beside) {
      left += valueAt(plane, cx - by * space, y) / BEYOND.beside.length;
      right += valueAt(plane, cx + by * space, y) / BEYOND.beside.length;
    }
  }
  return { ink: ink / BEYOND.at.length, stroke: Math.max(0, ink - Math.min(left, right)) / BEYOND.at.length };
}

/** Of what is expected of a stroke, what is less is none. */
const PALE_STROKE = 0.2;
/** A stroke may lie between two columns: beside one it counts a little less. */
const NEXT_COLUMN = { by: 0.8, share: 0.95 } as const;
const DARKEST = 1.1;

/** How dark a stroke is in each staff at a column of a system, of what is expected of one: 0 to 1.1. */
function darknessAt(system: SystemLines, x: number): readonly number[] {
  const { plane, staves, uprights, ratio } = system;
  const slope = uprights.at(x);
  return staves.map((staff) => {
    const cx = inStaff(system, staff, x);
    const expected = ratio * contrastAt(staff, cx);
    if (!mayBeStroke(plane, staff, cx, PALE_STROKE * expected)) return 0;
    const at = (by: number): number => strokeAt(plane, staff, cx + by, slope, PALE_STROKE * expected);
    const stroke = Math.max(at(0), NEXT_COLUMN.share * at(-NEXT_COLUMN.by), NEXT_COLUMN.share * at(NEXT_COLUMN.by));
    return Math.min(DARKEST, stroke / expected);
  });
}

const meanOf = (values: readonly number[]): number =>
  values.reduce((sum, v) => sum + v, 0) / Math.max(1, values.length);

/** How dark a column of a system is through all its staves, about 0 to 1. */
export function strokeThrough(system: SystemLines, x: number): number {
  const dark = darknessAt(system, x);
  return 0.6 * meanOf(dark) + 0.4 * Math.min(...dark);
}

/** Where a head that hangs on a stroke is: so far from it, and so high, in spaces. */
const HEAD = { beside: [0.16, 0.34, 0.52, 0.7], high: [-0.24, 0, 0.24] } as const;
/** Heads are looked for on lines and in spaces, from two ledger lines above a staff to two below. */
const HEADS = { first: -4, last: 12 } as const;

/**
 * How much a head stands beside a stroke: how much darker it is at one height than at most others of the staff. A bar
 * line is as pale beside it everywhere, or as dark where another stroke stands.
 */
function headBeside(plane: Plane, staff: TracedStaff, x: number, slope: number): number {
  const top = topAt(staff, x);
  const space = spaceAt(staff, x);
  let most = 0;
  for (const side of [-1, 1] as const) {
    const inside: number[] = [];
    let darkest = 0;
    for (let p = HEADS.first; p <= HEADS.last; p += 1) {
      let ink = 0;
      for (const dy of HEAD.high) {
        const y = top + (p / 2 + dy) * space;
        const cx = x + slope * (y - top - 2 * space);
        for (const dx of HEAD.beside) ink += valueAt(plane, cx + side * dx * space, y);
      }
      ink /= HEAD.beside.length * HEAD.high.length;
      darkest = Math.max(darkest, ink);
      if (p >= 0 && p <= 2 * LAST_LINE) inside.push(ink);
    }
    inside.sort((a, b) => a - b);
    most = Math.max(most, darkest - (inside[Math.floor(inside.length / 2)] ?? 0));
  }
  return most;
}

/** How much of an upright line goes on between each two staves of a system, from 0 to 1. */
export function throughAt(system: SystemLines, x: number): readonly number[] {
  const { plane, staves, uprights, ratio } = system;
  const slope = uprights.at(x);
  return staves.slice(1).map((lower, i) => {
    const upper = staves[i];
    if (!upper) return 0;
    const from = inStaff(system, upper, x) + slope * 2 * spaceAt(upper, x);
    const joined = [-1, -0.5, 0, 0.5, 1].map((dx) => joinedAt(plane, upper, lower, from + dx, uprights));
    return Math.max(0, Math.min(1, Math.max(...joined) / (ratio * contrastAt(upper, x))));
  });
}

/** What tells a bar line from a stem, a rest, a clef or a figure of the meter. */
export interface StrokeSigns {
  /** How dark it is in its staves and in the palest of them, of what is expected: 0 to 1.1. */
  readonly dark: number;
  readonly palest: number;
  /** How unevenly it is dark beside it, in its staves and in the worst, of the ink of a head. */
  readonly busy: number;
  readonly busiest: number;
  /** How far it wanders from a straight line in the worst of its staves, in spaces. */
  readonly winding: number;
  /** How much a head hangs on it, in its staves and in the worst, of the ink of a head. */
  readonly head: number;
  readonly headed: number;
  /** What goes on beyond the outermost lines of its system, of what is expected of a stroke, on the worse side. */
  readonly goesOn: number;
  /** The ink there, of that of a head, on both sides. */
  readonly inkBeyond: number;
}

/** A stroke through all staves of a system, which may be a bar line. */
export interface Stroke {
  /** Column at the middle of the system. */
  readonly x: number;
  /** In spaces. */
  readonly wide: number;
  readonly signs: StrokeSigns;
  /** How much of it goes on between each two staves, from 0 to 1. */
  readonly through: readonly number[];
}

/** The signs of the stroke at a column of a system. */
export function signsAt(system: SystemLines, x: number, headInk: number): StrokeSigns {
  const { plane, staves, uprights, ratio } = system;
  const slope = uprights.at(x);
  const dark = darknessAt(system, x);
  const columns = staves.map((staff) => inStaff(system, staff, x));
  const of = (sign: (staff: TracedStaff, cx: number) => number): readonly number[] =>
    staves.map((staff, i) => sign(staff, columns[i] ?? x));
  const busy = of((staff, cx) => busyBeside(plane, staff, cx, slope) / headInk);
  const winding = of((staff, cx) => windingOf(plane, staff, cx, slope));
  const heads = of((staff, cx) => headBeside(plane, staff, cx, slope) / headInk);
  const [first] = staves;
  const last = staves[staves.length - 1];
  const [above, below] = [
    first ? beyond(plane, first, columns[0] ?? x, slope, 'above') : { ink: 0, stroke: 0 },
    last ? beyond(plane, last, columns[columns.length - 1] ?? x, slope, 'below') : { ink: 0, stroke: 0 },
  ];
  const expected = first ? ratio * contrastAt(first, x) : 1;
  return {
    dark: meanOf(dark),
    palest: Math.min(...dark),
    busy: meanOf(busy),
    busiest: Math.max(...busy),
    winding: Math.max(...winding),
    head: meanOf(heads),
    headed: Math.max(...heads),
    goesOn: Math.min(1, Math.max(above.stroke, below.stroke) / expected),
    inkBeyond: (Math.min(1, above.ink / headInk) + Math.min(1, below.ink / headInk)) / 2,
  };
}
