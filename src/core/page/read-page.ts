import { barLinesOf, isPrefix, middleOf, type BarLine, type SystemLines } from './find-bar-lines';
import { systemsOf } from './find-systems';
import type { Picture } from './picture';
import type { Plane } from './plane';
import { backTo } from './resample';
import { straighten } from './straighten';
import { traceStaves, type TracedStaff } from './trace-staves';
import { contrastAt, LAST_LINE, spaceAt, strokeAt, topAt, uprightsOf, type Uprights } from './upright-lines';

export type PagePoint = readonly [number, number];
/** Top left, top right, bottom right, bottom left, in pixels of the picture as it came. */
export type PageCorners = readonly [PagePoint, PagePoint, PagePoint, PagePoint];

/** How a bar begins or ends. */
export type BarEdge = 'single' | 'double' | 'repeat' | 'final';

export interface PageBar {
  readonly corners: PageCorners;
  readonly starts: BarEdge;
  readonly ends: BarEdge;
  /** From 0 to 1: how clear its right line is. */
  readonly certainty: number;
}

export interface PageSystem {
  readonly corners: PageCorners;
  readonly staves: number;
  readonly bars: readonly PageBar[];
}

export interface ReadPage {
  readonly width: number;
  readonly height: number;
  readonly systems: readonly PageSystem[];
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
      return strokeAt(plane, staff, x, at(x), RATIOS[0] * contrast) / contrast;
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

/**
 * The systems and bars on a picture of a page, in reading order; none where no staff of five lines is found.
 *
 * @example readPage({ width: 1, height: 1, gray: new Uint8Array([255]) }).systems // → []
 */
export function readPage(picture: Picture, options: PageOptions = {}): ReadPage {
  const nothing: ReadPage = { width: picture.width, height: picture.height, systems: [] };
  const straight = straighten(picture);
  if (!straight) return nothing;
  const { ink: plane, frame, space } = straight;
  const staves = traceStaves(plane, space);
  if (staves.length === 0) return nothing;
  const headInk = headInkOf(plane, staves);
  const uprights = uprightsOf(plane, staves, headInk);
  const ratio = strokeRatio(plane, staves, uprights.at);
  const systems = groupsOf(plane, staves, uprights, options).flatMap((own): PageSystem[] => {
    const system: SystemLines = { plane, staves: own, uprights, ratio };
    const [first] = own;
    const last = own[own.length - 1];
    if (!first || !last) return [];
    const lines = barLinesOf(system, headInk);
    const left = Math.min(...own.map((s) => s.left));
    const right = Math.max(...own.map((s) => s.right));
    // Where an upright line through the middle of the system crosses its first and its last line.
    const edge = (x: number): readonly [PagePoint, PagePoint] => {
      const slope = uprights.at(x);
      const middle = middleOf(system, x);
      const yTop = topAt(first, x);
      const yFoot = topAt(last, x) + LAST_LINE * spaceAt(last, x);
      const xTop = x + slope * (yTop - middle);
      const xFoot = x + slope * (yFoot - middle);
      return [
        backTo(frame, xTop, topAt(first, xTop)),
        backTo(frame, xFoot, topAt(last, xFoot) + LAST_LINE * spaceAt(last, xFoot)),
      ];
    };
    const boxOf = (a: number, b: number): PageCorners => {
      const [topLeft, footLeft] = edge(a);
      const [topRight, footRight] = edge(b);
      return [topLeft, topRight, footRight, footLeft];
    };
    const begin = lines.find((l) => l.from <= left + 1.6 * space) ?? null;
    const start = begin ? begin.from : left;
    const inner = lines.filter((l) => l.from > left + 1.6 * space);
    const prefix = inner[0] && isPrefix(system, left, inner[0], headInk) ? inner[0] : null;
    const ends = inner.filter((l) => l !== prefix);
    const bars: PageBar[] = [];
    let from = start;
    let starts: BarEdge = begin ? edgeOf(begin, begin.dotsAfter) : 'single';
    if (prefix?.dotsAfter === true) starts = 'repeat';
    for (const line of ends) {
      bars.push({
        corners: boxOf(from, line.to),
        starts,
        ends: edgeOf(line, line.dotsBefore),
        certainty: line.certainty,
      });
      from = line.to;
      starts = edgeOf(line, line.dotsAfter);
    }
    // No line closes the last bar.
    if (right - from > 5 * space) bars.push({ corners: boxOf(from, right), starts, ends: 'single', certainty: 0.3 });
    return bars.length === 0
      ? []
      : [
          {
            corners: boxOf(start, right - from <= 5 * space ? from : right),
            staves: own.length,
            bars,
          },
        ];
  });
  return { ...nothing, systems };
}
