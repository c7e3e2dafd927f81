import { joinedAt } from './find-systems';
import { valueAt, type Plane } from './plane';
import type { TracedStaff } from './trace-staves';
import { busyBeside, contrastAt, LAST_LINE, spaceAt, strokeAt, topAt, type Uprights } from './upright-lines';

/** One or more strokes through a system that stand together. */
export interface BarLine {
  /** Columns of the first and the last stroke, at the middle of the system. */
  readonly from: number;
  readonly to: number;
  readonly strokes: number;
  readonly dotsBefore: boolean;
  readonly dotsAfter: boolean;
  /** A stroke as wide as a beam. */
  readonly thick: boolean;
  /** From 0 to 1. */
  readonly certainty: number;
}

/** A system as it is worked on: its staves, and how upright lines go. */
export interface SystemLines {
  readonly plane: Plane;
  readonly staves: readonly TracedStaff[];
  readonly uprights: Uprights;
  /** How much darker strokes through a staff are than the lines of the staff, both against what lies beside them. */
  readonly ratio: number;
}

/** The row in the middle of a system, from which columns are counted. */
export function middleOf({ staves }: Pick<SystemLines, 'staves'>, x: number): number {
  const [first] = staves;
  const last = staves[staves.length - 1];
  return first && last ? (topAt(first, x) + topAt(last, x) + LAST_LINE * spaceAt(last, x)) / 2 : 0;
}

/** Where the upright line that crosses the middle of a system at a column crosses the middle of one of its staves. */
function inStaff(system: SystemLines, staff: TracedStaff, x: number): number {
  const slope = system.uprights.at(x);
  return x + slope * (topAt(staff, x) + 2 * spaceAt(staff, x) - middleOf(system, x));
}

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

/**
 * How much ink goes on above or below a staff along an upright line: a stem does, the bar line of one staff does not.
 */
function beyond(plane: Plane, staff: TracedStaff, x: number, slope: number, side: 'above' | 'below'): number {
  const space = spaceAt(staff, x);
  const edge = side === 'above' ? topAt(staff, x) : topAt(staff, x) + LAST_LINE * space;
  const away = side === 'above' ? -1 : 1;
  const middle = topAt(staff, x) + 2 * space;
  let sum = 0;
  const at = [0.4, 0.55, 0.7, 0.85];
  for (const share of at) {
    const y = edge + away * share * space;
    const cx = x + slope * (y - middle);
    const here = Math.max(valueAt(plane, cx, y), valueAt(plane, cx - 1, y), valueAt(plane, cx + 1, y));
    sum += Math.max(0, here - Math.min(valueAt(plane, cx - 0.5 * space, y), valueAt(plane, cx + 0.5 * space, y)));
  }
  return sum / at.length;
}

/** Repeat dots and what is left of other things stand beside bar lines, too. */
const BUSY = 0.28;
const WINDING = 0.045;
/** Of what is expected of a stroke, what is less is none. */
const PALE_STROKE = 0.2;

/** How much a column of a system is a bar line, about 0 to 1. */
function worthAt(system: SystemLines, x: number, headInk: number): number {
  const { plane, staves, uprights, ratio } = system;
  const slope = uprights.at(x);
  let sum = 0;
  let least = Infinity;
  for (const staff of staves) {
    const cx = inStaff(system, staff, x);
    const expected = ratio * contrastAt(staff, cx);
    const stroke = Math.max(
      strokeAt(plane, staff, cx, slope, PALE_STROKE * expected),
      0.95 * strokeAt(plane, staff, cx - 0.8, slope, PALE_STROKE * expected),
      0.95 * strokeAt(plane, staff, cx + 0.8, slope, PALE_STROKE * expected),
    );
    let value = Math.min(1.1, stroke / expected);
    if (value > 0.3) {
      const busy = busyBeside(plane, staff, cx, slope) / headInk;
      value -= Math.max(0, busy - BUSY) * 2 + Math.max(0, windingOf(plane, staff, cx, slope) - WINDING) * 10;
    }
    sum += value;
    least = Math.min(least, value);
  }
  let worth = 0.6 * (sum / staves.length) + 0.4 * least;
  if (worth < 0.25) return worth;
  const [first] = staves;
  const last = staves[staves.length - 1];
  if (first && last) {
    const over =
      beyond(plane, first, inStaff(system, first, x), slope, 'above') +
      beyond(plane, last, inStaff(system, last, x), slope, 'below');
    worth -= (0.35 * Math.min(1, over / (ratio * contrastAt(first, x)))) / Math.sqrt(staves.length);
  }
  return worth;
}

/** How much of an upright line goes on between each two staves of a system, from 0 to 1. */
function throughAt(system: SystemLines, x: number): readonly number[] {
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

interface Stroke {
  readonly x: number;
  readonly worth: number;
  /** In spaces. */
  readonly wide: number;
  readonly through: readonly number[];
}

/** Strokes that are bar lines: where those of a system go through from one staff to the next, each must. */
function asTheOthers(found: readonly Stroke[], gaps: number): readonly Stroke[] {
  const clearest = [...found].sort((a, b) => b.worth - a.worth).slice(0, Math.max(3, Math.ceil(found.length * 0.6)));
  const usual = Array.from({ length: gaps }, (_, g) => {
    const shares = clearest.map((c) => c.through[g] ?? 0).sort((a, b) => a - b);
    return shares[Math.floor(shares.length / 2)] ?? 0;
  });
  const joined = usual.filter((u) => u > 0.4).length;
  return found.map((f) => {
    const missing = usual.reduce((sum, u, g) => (u > 0.4 ? sum + Math.max(0, 1 - (f.through[g] ?? 0) / u) : sum), 0);
    return joined === 0 ? f : { ...f, worth: f.worth + 0.15 - (NOT_THROUGH * missing) / joined };
  });
}

const ENOUGH = 0.52;
/** Where lines of a system go through its staves, one that does not is worth so much less. */
const NOT_THROUGH = 1;
/** Strokes no farther apart than this, in spaces, are one bar line. */
const TOGETHER = 1.3;

/** No bar is narrower than this, in spaces: of two lines that are nearer, and no double one, the clearer is kept. */
const NARROWEST = 2.6;

function apart(strokes: readonly Stroke[], space: number): readonly Stroke[] {
  return strokes.filter((s) =>
    strokes.every((o) => {
      const by = Math.abs(o.x - s.x);
      return by <= TOGETHER * space || by >= NARROWEST * space || o.worth <= s.worth;
    }),
  );
}

/** Dots of a repeat: in the two middle spaces, and in no others. */
function dotsBeside(system: SystemLines, x: number, side: -1 | 1): boolean {
  const { plane, staves, uprights } = system;
  const usualContrast = staves[0] ? contrastAt(staves[0], x) : 1;
  const slope = uprights.at(x);
  const votes = staves.map((staff) => {
    const cx = inStaff(system, staff, x);
    const top = topAt(staff, cx);
    const space = spaceAt(staff, cx);
    const inSpace = (gap: number): number => {
      const y = top + (gap + 0.5) * space;
      let most = 0;
      for (let dx = 0.35; dx <= 1.3; dx += 0.1) {
        const px = cx + slope * (y - top - 2 * space) + side * dx * space;
        let sum = 0;
        for (const [ox, oy] of [
          [0, 0],
          [0.12, 0],
          [-0.12, 0],
          [0, 0.12],
          [0, -0.12],
        ] as const)
          sum += valueAt(plane, px + ox * space, y + oy * space);
        most = Math.max(most, sum / 5);
      }
      return most;
    };
    const [a, b, c, d] = [inSpace(0), inSpace(1), inSpace(2), inSpace(3)];
    return Math.min(b, c) - Math.max(a, d);
  });
  return votes.reduce((sum, v) => sum + v, 0) / votes.length > 0.25 * system.ratio * usualContrast + 0.05;
}

const PREFIX = 9.5;
const AFTER_CLEF = 3.6;

/** Whether a head stands in a staff between two columns. */
function hasHead({ plane, staves }: SystemLines, from: number, to: number, headInk: number): boolean {
  return staves.some((staff) => {
    for (let x = from; x <= to; x += 2) {
      const top = topAt(staff, x);
      const space = spaceAt(staff, x);
      for (let p = -4; p <= 12; p += 1) {
        let ink = 0;
        for (const dx of [-0.35, 0, 0.35])
          for (const dy of [-0.2, 0, 0.2]) ink += valueAt(plane, x + dx * space, top + (p / 2 + dy) * space);
        if (ink / 9 >= 0.8 * headInk) return true;
      }
    }
    return false;
  });
}

/** Whether what stands before a line is only clef, key and meter: it closes no bar, a repeat may begin there. */
export function isPrefix(system: SystemLines, left: number, line: BarLine, headInk: number): boolean {
  const [first] = system.staves;
  const space = first ? spaceAt(first, left) : 1;
  return (
    line.from - left < PREFIX * space && !hasHead(system, left + AFTER_CLEF * space, line.from - 1.7 * space, headInk)
  );
}

/** A stroke is thick where it is wider than this, in spaces, and than so many times the usual one of its system. */
const THICK = { least: 0.38, times: 1.6 } as const;
/** Of the strokes of a system this one, by width, is a usual one. */
const USUAL = 0.3;
/** Two strokes of a double line are at least so many spaces apart, and it is paler between them. */
const DOUBLE = { apart: 0.42, paler: 0.7 } as const;

/** How many strokes stand side by side in a group: what is one blurred line with two summits is one. */
function strokesIn(group: readonly Stroke[], space: number, worthAtColumn: (x: number) => number): number {
  return group.reduce((count, stroke, i) => {
    const before = group[i - 1];
    if (!before) return 1;
    if (stroke.x - before.x < DOUBLE.apart * space) return count;
    let least = Infinity;
    for (let x = before.x; x <= stroke.x; x += 1) least = Math.min(least, worthAtColumn(x));
    return least < DOUBLE.paler * Math.min(before.worth, stroke.worth) ? count + 1 : count;
  }, 0);
}

/** The bar lines of a system from left to right, its own beginning with them. */
export function barLinesOf(system: SystemLines, headInk: number): readonly BarLine[] {
  const { staves } = system;
  const [first] = staves;
  if (!first) return [];
  const space = spaceAt(first, (first.left + first.right) / 2);
  const left = Math.min(...staves.map((s) => s.left)) - Math.round(1.5 * space);
  const right = Math.max(...staves.map((s) => s.right)) + Math.round(1.5 * space);
  const worths = Float32Array.from({ length: right - left + 1 }, (_, i) => worthAt(system, left + i, headInk));
  const found: Stroke[] = [];
  const reach = Math.max(2, Math.round(0.22 * space));
  worths.forEach((worth, i) => {
    if (worth < ENOUGH - 0.1) return;
    for (let k = -reach; k <= reach; k += 1) {
      const other = worths[i + k] ?? 0;
      if (other > worth || (other === worth && k < 0)) return;
    }
    let [a, b] = [i, i];
    while ((worths[a - 1] ?? 0) > 0.6 * worth) a -= 1;
    while ((worths[b + 1] ?? 0) > 0.6 * worth) b += 1;
    found.push({ x: left + i, worth, wide: (b - a + 1) / space, through: throughAt(system, left + i) });
  });
  const strokes = apart(
    asTheOthers(found, staves.length - 1).filter((f) => f.worth >= ENOUGH),
    space,
  );
  const usual = strokes.map((s) => s.wide).sort((a, b) => a - b)[Math.floor(strokes.length * USUAL)] ?? 0;
  const groups: Stroke[][] = [];
  for (const stroke of strokes) {
    const group = groups[groups.length - 1];
    const last = group?.[group.length - 1];
    if (group && last && stroke.x - last.x <= TOGETHER * space) group.push(stroke);
    else groups.push([stroke]);
  }
  return groups.flatMap((group) => {
    const from = group[0]?.x;
    const to = group[group.length - 1]?.x;
    if (from === undefined || to === undefined) return [];
    const strokes = strokesIn(group, space, (x) => worths[x - left] ?? 0);
    const thick = group.some((s) => s.wide > Math.max(THICK.least, THICK.times * usual));
    // A repeat sign has a thick stroke beside a thin one: dots at a single thin line are something else.
    const repeats = strokes > 1 || thick;
    return [
      {
        from,
        to,
        strokes,
        thick,
        dotsBefore: repeats && dotsBeside(system, from, -1),
        dotsAfter: repeats && dotsBeside(system, to, 1),
        certainty: Math.max(0, Math.min(1, (Math.max(...group.map((s) => s.worth)) - ENOUGH) / 0.4)),
      },
    ];
  });
}
