import { signsAt, strokeThrough, throughAt, type Stroke } from './bar-line-signs';
import { judged, type Judged } from './judge-strokes';
import { valueAt } from './plane';
import { quantile } from './quantile';
import { inStaff, type SystemLines } from './system-lines';
import { contrastAt, spaceAt, topAt } from './upright-lines';

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

/** The strokes of a system, and how dark each of its columns is. */
export interface SystemStrokes {
  readonly strokes: readonly Stroke[];
  /** From `left` on, about 0 to 1. */
  readonly dark: Float32Array;
  readonly left: number;
}

/** What is paler, in a system or in one of its staves, is no stroke. */
const STROKE = { least: 0.3, inEach: 0.25 } as const;
/** Of two strokes nearer than this, in spaces, only the darker is looked at. */
const REACH = 0.22;
/** A stroke is as wide as it is at this share of its darkest. */
const FLANK = 0.6;
/** Columns as dark as this, of the darkest, are the middle of a stroke. */
const EVEN = 0.99;
/** Lines may stand so far before and behind the staff as it was found, in spaces. */
const AROUND = 1.5;

/** All strokes of a system from left to right, its bar lines among them. */
export function strokesOf(system: SystemLines, headInk: number): SystemStrokes {
  const { staves } = system;
  const [first] = staves;
  if (!first) return { strokes: [], dark: new Float32Array(0), left: 0 };
  const space = spaceAt(first, (first.left + first.right) / 2);
  const left = Math.min(...staves.map((s) => s.left)) - Math.round(AROUND * space);
  const right = Math.max(...staves.map((s) => s.right)) + Math.round(AROUND * space);
  const dark = Float32Array.from({ length: right - left + 1 }, (_, i) => strokeThrough(system, left + i));
  const reach = Math.max(2, Math.round(REACH * space));
  const strokes: Stroke[] = [];
  dark.forEach((value, i) => {
    if (value < STROKE.least) return;
    for (let k = -reach; k <= reach; k += 1) {
      const other = dark[i + k] ?? 0;
      if (other > value || (other === value && k < 0)) return;
    }
    // A wide stroke is as dark over some columns: it stands in their middle.
    let end = i;
    while ((dark[end + 1] ?? 0) >= EVEN * value) end += 1;
    const x = left + Math.round((i + end) / 2);
    const signs = signsAt(system, x, headInk);
    if (signs.palest < STROKE.inEach) return;
    let [a, b] = [i, i];
    while ((dark[a - 1] ?? 0) > FLANK * value) a -= 1;
    while ((dark[b + 1] ?? 0) > FLANK * value) b += 1;
    strokes.push({ x, wide: (b - a + 1) / space, signs, through: throughAt(system, x) });
  });
  return { strokes, dark, left };
}

/** No bar is narrower than this, in spaces: lines that are nearer are one sign, or the less clear is none. */
const NARROWEST = 2.6;
/** Strokes no farther apart than this, in spaces, may be one sign however clear. */
const TOGETHER = 1.3;
/** Log odds from which a stroke is clear. */
const CLEAR = 2;

function apart(strokes: readonly Judged[], space: number): readonly Judged[] {
  return strokes.filter((s) =>
    strokes.every((o) => {
      const by = Math.abs(o.x - s.x);
      return by <= TOGETHER * space || by >= NARROWEST * space || o.score <= s.score || s.score >= CLEAR;
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

/** Clef, key and meter are not wider than this, in spaces; a clef alone is so wide. */
const PREFIX = 14;
const AFTER_CLEF = 3.6;

/** A head is so dark, of the ink of one, and so in all its height; elsewhere its staff is paler than `others`. */
const HEAD = { dark: 0.88, tall: 0.7, others: 0.42 } as const;

/** Whether a head stands in a staff between two columns. */
function hasHead({ plane, staves }: SystemLines, from: number, to: number, headInk: number): boolean {
  return staves.some((staff) => {
    for (let x = from; x <= to; x += 2) {
      const top = topAt(staff, x);
      const space = spaceAt(staff, x);
      const ink = (p: number): number => {
        let sum = 0;
        for (const dx of [-0.35, 0, 0.35])
          for (const dy of [-0.2, 0, 0.2]) sum += valueAt(plane, x + dx * space, top + (p / 2 + dy) * space);
        return sum / 9;
      };
      const inks = Array.from({ length: 17 }, (_, i) => ink(i - 4));
      if (Math.max(...inks) < HEAD.dark * headInk) continue;
      // A head is a space high: three of the nine places of a staff at most; figures of a meter and sharps are more.
      const tall = inks.filter((v) => v >= HEAD.tall * headInk).length;
      const others = [...inks.slice(4, 13)].sort((a, b) => a - b).slice(0, 6);
      if (tall <= 2 && others.reduce((sum, v) => sum + v, 0) / others.length < HEAD.others * headInk) return true;
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
function strokesIn(group: readonly Stroke[], space: number, darkAt: (x: number) => number): number {
  return group.reduce((count, stroke, i) => {
    const before = group[i - 1];
    if (!before) return 1;
    if (stroke.x - before.x < DOUBLE.apart * space) return count;
    let least = Infinity;
    for (let x = before.x; x <= stroke.x; x += 1) least = Math.min(least, darkAt(x));
    return least < DOUBLE.paler * Math.min(darkAt(before.x), darkAt(stroke.x)) ? count + 1 : count;
  }, 0);
}

/**
 * The bar lines of a system from left to right, its own beginning with them. `steady` is how far a straight stroke
 * wanders on this page, in spaces.
 */
export function barLinesOf(system: SystemLines, found: SystemStrokes, steady: number): readonly BarLine[] {
  const { staves } = system;
  const [first] = staves;
  if (!first) return [];
  const space = spaceAt(first, (first.left + first.right) / 2);
  const strokes = apart(
    judged(found.strokes, steady).filter((s) => s.score > 0),
    space,
  );
  const usual = quantile(
    strokes.map((s) => s.wide),
    USUAL,
  );
  const groups: Judged[][] = [];
  for (const stroke of strokes) {
    const group = groups[groups.length - 1];
    const last = group?.[group.length - 1];
    if (group && last && stroke.x - last.x < NARROWEST * space) group.push(stroke);
    else groups.push([stroke]);
  }
  return groups.flatMap((group) => {
    const from = group[0]?.x;
    const to = group[group.length - 1]?.x;
    if (from === undefined || to === undefined) return [];
    const count = strokesIn(group, space, (x) => found.dark[x - found.left] ?? 0);
    const thick = group.some((s) => s.wide > Math.max(THICK.least, THICK.times * usual));
    // A repeat sign has a thick stroke beside a thin one: dots at a single thin line are something else.
    const repeats = count > 1 || thick;
    return [
      {
        from,
        to,
        strokes: count,
        thick,
        dotsBefore: repeats && dotsBeside(system, from, -1),
        dotsAfter: repeats && dotsBeside(system, to, 1),
        certainty: Math.max(...group.map((s) => s.certainty)),
      },
    ];
  });
}
