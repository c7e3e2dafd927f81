import { barLinesOf, isPrefix, strokesOf, type BarLine, type SystemStrokes } from './find-bar-lines';
import { systemsOf } from './find-systems';
import { steadyOf } from './judge-strokes';
import { isLongRest } from './long-rests';
import type { Picture } from './picture';
import type { Plane } from './plane';
import { straighten, type Straight } from './straighten';
import type { SystemLines } from './system-lines';
import { turned } from './turn';
import { traceStaves } from './trace-staves';
import type { TracedStaff } from './traced-staff';
import {
  contrastAt,
  LAST_LINE,
  mayBeStroke,
  spaceAt,
  strokeAt,
  topAt,
  uprightsOf,
  type Uprights,
} from './upright-lines';

/** How a bar begins or ends. */
export type BarEdge = 'single' | 'double' | 'repeat' | 'final';

/** A bar on the straightened page: columns where an upright line through it crosses the middle of its system. */
export interface FoundBar {
  readonly from: number;
  readonly to: number;
  readonly starts: BarEdge;
  readonly ends: BarEdge;
  /** From 0 to 1: how clear its right line is. */
  readonly certainty: number;
  /** It is drawn as a rest of several bars, their number above it. */
  readonly longRest: boolean;
}

export interface FoundSystem {
  /** From the highest. */
  readonly staves: readonly TracedStaff[];
  readonly from: number;
  readonly to: number;
  readonly bars: readonly FoundBar[];
}

/** What is found on a straightened page. */
export interface FoundPage {
  readonly straight: Straight;
  readonly uprights: Uprights;
  /** The ink of what is blackest. */
  readonly headInk: number;
  /** In reading order. */
  readonly systems: readonly FoundSystem[];
}

/** Strokes are drawn about as thick as lines, or somewhat thicker. */
const RATIOS = [0.85, 1.5] as const;

/** How much darker strokes through staves are than their lines, as measured: of two bar lines a staff the paler. */
function strokeRatio(plane: Plane, staves: readonly TracedStaff[], at: (x: number) => number): number {
  const peaks: number[] = [];
  for (const staff of staves) {
    const space = spaceAt(staff, staff.left);
    const strokes = Float32Array.from({ length: staff.right - staff.left + 1 }, (_, i) => {
      const x = staff.left + i;
      const contrast = contrastAt(staff, x);
      const least = RATIOS[0] * contrast;
      return mayBeStroke(plane, staff, x, least) ? strokeAt(plane, staff, x, at(x), least) / contrast : 0;
    });
    const reach = Math.round(space);
    strokes.forEach((v, i) => {
      for (let k = -reach; k <= reach; k += 1) if ((strokes[i + k] ?? 0) > v) return;
      peaks.push(v);
    });
  }
  peaks.sort((a, b) => b - a);
  const [least, most] = RATIOS;
  return Math.max(least, Math.min(most, peaks[Math.min(peaks.length - 1, 2 * staves.length)] ?? 1));
}

/** The ink of what is blackest in the staves: heads. */
function headInkOf(plane: Plane, staves: readonly TracedStaff[]): number {
  const inks: number[] = [];
  for (const staff of staves)
    for (let x = staff.left; x <= staff.right; x += 3)
      for (let k = 0.5; k < LAST_LINE; k += 1) {
        const y = Math.round(topAt(staff, x) + k * spaceAt(staff, x));
        inks.push(plane.values[y * plane.width + x] ?? 0);
      }
  inks.sort((a, b) => b - a);
  return Math.max(0.1, inks[Math.floor(inks.length * 0.02)] ?? 0.1);
}

/** Staves by system: so many each where that is known. */
const groupsOf = (
  plane: Plane,
  staves: readonly TracedStaff[],
  uprights: Uprights,
  { staves: each }: PageOptions,
): readonly (readonly TracedStaff[])[] =>
  each === undefined
    ? systemsOf(plane, staves, uprights)
    : Array.from({ length: Math.ceil(staves.length / each) }, (_, i) => staves.slice(i * each, (i + 1) * each));

const edgeOf = ({ strokes, thick }: BarLine, dots: boolean): BarEdge =>
  dots ? 'repeat' : thick ? 'final' : strokes > 1 ? 'double' : 'single';

export interface PageOptions {
  /** Staves of a system, where they are known; else those that are joined at their beginning. */
  readonly staves?: number;
}

/** Where one bar ends and the next begins: a sign belongs to the bar on the side of its dots. */
const cutOf = ({ from, to, dotsBefore, dotsAfter }: BarLine): number =>
  dotsAfter ? (dotsBefore ? (from + to) / 2 : from) : to;

/** What is nearer to the beginning of the staves than this, in spaces, is the line that begins them. */
const BEGINNING = 1.6;
/** What is left behind the last line is a bar where it is longer than this, in spaces; else it is a signature ahead. */
const REST = 5;
/** A bar that no line closes. */
const UNCLOSED = 0.3;

/** What is the same over a page. */
interface PageMeasures {
  readonly space: number;
  readonly headInk: number;
  /** How far a straight stroke wanders, in spaces: more where a page is blurred. */
  readonly steady: number;
}

/** The bars of a system between its lines; null where there is none. */
function systemOf(system: SystemLines, strokes: SystemStrokes, page: PageMeasures): FoundSystem | null {
  const { space, headInk, steady } = page;
  const { staves } = system;
  const left = Math.min(...staves.map((s) => s.left));
  const right = Math.max(...staves.map((s) => s.right));
  const lines = barLinesOf(system, strokes, steady);
  const begin = lines.find((l) => l.from <= left + BEGINNING * space) ?? null;
  const start = begin ? begin.from : left;
  const inner = lines.filter((l) => l.from > left + BEGINNING * space);
  const prefix = inner[0] && isPrefix(system, left, inner[0], headInk) ? inner[0] : null;
  const bars: FoundBar[] = [];
  let from = start;
  let starts: BarEdge = begin ? edgeOf(begin, begin.dotsAfter) : 'single';
  if (prefix?.dotsAfter === true) starts = 'repeat';
  for (const line of inner.filter((l) => l !== prefix)) {
    const at = cutOf(line);
    const longRest = isLongRest(system, from, at, headInk);
    bars.push({ from, to: at, starts, ends: edgeOf(line, line.dotsBefore), certainty: line.certainty, longRest });
    from = at;
    starts = edgeOf(line, line.dotsAfter);
  }
  const isUnclosed = right - from > REST * space;
  if (isUnclosed) bars.push({ from, to: right, starts, ends: 'single', certainty: UNCLOSED, longRest: false });
  return bars.length === 0 ? null : { staves, from: start, to: isUnclosed ? right : from, bars };
}

/** At the beginning of a staff so much is looked at, in spaces, and at its end: from the line on. */
const CLEF = { from: 0.6, wide: 3.2 } as const;
/** Where there is so many times more ink at the ends of staves than at their beginnings, the clefs are there. */
const CLEFS_AT_END = 1.45;

/** The ink of a staff between two columns. */
function inkBetween({ width, values }: Plane, staff: TracedStaff, from: number, to: number): number {
  let ink = 0;
  for (let x = Math.round(from); x < to; x += 1)
    for (let y = Math.round(topAt(staff, x)); y < topAt(staff, x) + LAST_LINE * spaceAt(staff, x); y += 1)
      ink += values[y * width + x] ?? 0;
  return ink;
}

/** Whether a page lies upside down: its clefs stand at the right. */
function isUpsideDown({ straight: { ink }, systems }: FoundPage): boolean {
  let [beginnings, ends] = [0, 0];
  for (const staff of systems.flatMap((s) => s.staves)) {
    const space = spaceAt(staff, (staff.left + staff.right) / 2);
    const [near, far] = [CLEF.from * space, (CLEF.from + CLEF.wide) * space];
    beginnings += inkBetween(ink, staff, staff.left + near, staff.left + far);
    ends += inkBetween(ink, staff, staff.right - far, staff.right - near);
  }
  return ends > CLEFS_AT_END * beginnings;
}

/**
 * The staves, systems and bars of a picture, on the page as it is straightened; null where there is no staff. A page
 * that lies upside down is turned.
 */
export function findPage(picture: Picture, options: PageOptions = {}): FoundPage | null {
  const page = findUpright(picture, options);
  if (!page || !isUpsideDown(page)) return page;
  const other = findUpright(turned(picture, 'upside-down'), options);
  if (!other || isUpsideDown(other)) return page;
  const { x0, y0, xx, xy, yx, yy } = other.straight.frame;
  // From the turned picture back to the picture as it came.
  const frame = { x0: picture.width - 1 - x0, y0: picture.height - 1 - y0, xx: -xx, xy: -xy, yx: -yx, yy: -yy };
  return { ...other, straight: { ...other.straight, frame } };
}

/** A straightened page with its staves by system, before their bar lines are looked for. */
export interface PageStaves {
  readonly straight: Straight;
  readonly uprights: Uprights;
  readonly headInk: number;
  readonly systems: readonly SystemLines[];
}

/** The staves of a picture that lies upright or on its side; null where there are none. */
export function findStaves(picture: Picture, options: PageOptions): PageStaves | null {
  const straight = straighten(picture);
  if (!straight) return null;
  const { ink: plane, space } = straight;
  const staves = traceStaves(plane, space);
  if (staves.length === 0) return null;
  const headInk = headInkOf(plane, staves);
  const uprights = uprightsOf(plane, staves, headInk);
  const ratio = strokeRatio(plane, staves, uprights.at);
  const systems = groupsOf(plane, staves, uprights, options).map((own) => ({ plane, staves: own, uprights, ratio }));
  return { straight, uprights, headInk, systems };
}

function findUpright(picture: Picture, options: PageOptions): FoundPage | null {
  const page = findStaves(picture, options);
  if (!page) return null;
  const { straight, headInk } = page;
  const found = page.systems.map((system) => ({ system, strokes: strokesOf(system, headInk) }));
  const steady = steadyOf(found.flatMap(({ strokes }) => strokes.strokes));
  const measures = { space: straight.space, headInk, steady };
  return { ...page, systems: found.flatMap(({ system, strokes }) => systemOf(system, strokes, measures) ?? []) };
}
