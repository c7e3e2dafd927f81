import type { Box, PageSystem } from '../studio';
import { outerLines, type PageLayout, type Paper } from './paper';

/** A bar in a line that is cut from a page, in CSS pixels of the line. */
export interface LineBar {
  readonly id: string;
  readonly x: number;
  readonly width: number;
  /** It begins a system: clef, key and meter stand in it. */
  readonly begins: boolean;
}

/** A line of music as it is cut from the picture of a page. */
export interface PageLine {
  readonly page: string;
  /** What is cut out, in pixels of the picture. */
  readonly cut: { readonly x: number; readonly y: number; readonly width: number; readonly height: number };
  /** CSS pixels to one of the picture. */
  readonly scale: number;
  /** Size of the line in CSS pixels. */
  readonly width: number;
  readonly height: number;
  readonly bars: readonly LineBar[];
  /** First and last line of each staff that is shown, in CSS pixels. */
  readonly staves: readonly (readonly [number, number])[];
}

/** How large lines are to be. */
export interface LineSize {
  /** CSS pixels that there are. */
  readonly width: number;
  /** CSS pixels from one line of a staff to the next, where there is room. */
  readonly space: number;
}

/** What is cut out beside the first and the last bar of a line, in spaces: a brace before the first of a system. */
const BESIDE = { brace: 1.7, cut: 0.4, end: 0.6 } as const;
/** Lines are made smaller down to this share before they are broken. */
const SMALLEST = 0.55;

interface Run {
  readonly page: PageLayout;
  readonly system: PageSystem;
  readonly boxes: readonly Box[];
}

/** Boxes with the wanted bars, system by system. */
function runsOf({ grid, layouts }: Paper, from: number, to: number): readonly Run[] {
  const wanted = new Set(grid.bars.slice(from, to + 1).map((b) => b.id));
  return layouts.flatMap((page) =>
    page.systems.flatMap((system): Run[] => {
      const boxes = system.boxes.filter((b) => b.bars.some((id) => wanted.has(id)));
      return boxes.length === 0 ? [] : [{ page, system, boxes }];
    }),
  );
}

const before = ({ system, boxes }: Run): number => (system.boxes[0] === boxes[0] ? BESIDE.brace : BESIDE.cut);
const widthOf = (run: Run): number =>
  (run.boxes[run.boxes.length - 1]?.to ?? 0) - (run.boxes[0]?.from ?? 0) + (before(run) + BESIDE.end) * run.page.space;

/** A run in as many parts as it takes, each with about as much of it. */
function broken(run: Run, most: number): readonly Run[] {
  const whole = widthOf(run);
  if (whole <= most || run.boxes.length === 1) return [run];
  const each = whole / Math.ceil(whole / most);
  const parts: Box[][] = [];
  for (const box of run.boxes) {
    const last = parts[parts.length - 1];
    const start = last?.[0]?.from ?? 0;
    if (last && (box.to + box.from) / 2 - start <= each && box.to - start <= most) last.push(box);
    else parts.push([box]);
  }
  return parts.map((boxes) => ({ ...run, boxes }));
}

/** Rows of the staves that are shown, and of what is cut out with them. */
function rowsOf({ page, system }: Run, shown: Paper['grid']['shown']) {
  const last = system.staves.length - 1;
  const [a, b] = shown && shown[1] <= last ? shown : [0, last];
  const staves = system.staves.slice(a, b + 1);
  const above = system.staves[a - 1]?.[1];
  const below = system.staves[b + 1]?.[0];
  const [top, foot] = outerLines({ staves });
  return {
    staves,
    upper: Math.max(0, above === undefined ? system.upper : (above + top) / 2),
    lower: Math.min(page.height, below === undefined ? system.lower : (below + foot) / 2),
  };
}

/** What is cut out of a page from left to right for a run. */
function sidesOf(run: Run): readonly [number, number] {
  const { page, boxes } = run;
  return [
    Math.max(0, (boxes[0]?.from ?? 0) - before(run) * page.space),
    Math.min(page.width, (boxes[boxes.length - 1]?.to ?? 0) + BESIDE.end * page.space),
  ];
}

function lineOf(run: Run, shown: Paper['grid']['shown'], space: number): PageLine {
  const { page, system, boxes } = run;
  const { staves, upper, lower } = rowsOf(run, shown);
  const [x, right] = sidesOf(run);
  const scale = space / page.space;
  return {
    page: page.id,
    cut: { x, y: upper, width: right - x, height: lower - upper },
    scale,
    width: (right - x) * scale,
    height: (lower - upper) * scale,
    staves: staves.map(([top, foot]) => [(top - upper) * scale, (foot - upper) * scale]),
    bars: boxes.flatMap((box) => {
      const each = ((box.to - box.from) / box.bars.length) * scale;
      return box.bars.map((id, i) => ({
        id,
        x: (box.from - x) * scale + i * each,
        width: each,
        begins: box === system.boxes[0] && i === 0,
      }));
    }),
  };
}

/**
 * Bars of a piece as lines that are cut from the pictures of its pages, both ends included: systems under each other,
 * at the wanted size, smaller or in several lines where they are too wide. Bars that lie on no page are left out.
 *
 * @example pageLines(paper, 0, 3, { width: 800, space: 10 })[0].bars.map((b) => b.id) // → ['g1', 'g2', 'g3', 'g4']
 */
export function pageLines(paper: Paper, from: number, to: number, size: LineSize): readonly PageLine[] {
  const { shown } = paper.grid;
  const runs = runsOf(paper, from, to).flatMap((run) =>
    broken(run, (size.width / (size.space * SMALLEST)) * run.page.space),
  );
  // All lines are as large as the widest can be.
  const space = Math.min(
    size.space,
    ...runs.map((run) => {
      const [x, right] = sidesOf(run);
      return (size.width / (right - x)) * run.page.space;
    }),
  );
  return runs.map((run) => lineOf(run, shown, space));
}
