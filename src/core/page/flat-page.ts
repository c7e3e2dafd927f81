import { middleOf } from './system-lines';
import { findPage, type BarEdge, type FoundPage, type FoundSystem, type PageOptions } from './find-page';
import { withoutEdges, type MusicArea } from './page-edge';
import type { Picture } from './picture';
import { valueAt } from './plane';
import type { TracedStaff } from './traced-staff';
import { LAST_LINE, spaceAt, topAt } from './upright-lines';

/** A bar of a flat page, in its pixels. */
export interface FlatBar {
  readonly from: number;
  readonly to: number;
  readonly starts: BarEdge;
  readonly ends: BarEdge;
  readonly certainty: number;
  /** It is drawn as a rest of several bars, their number above it. */
  readonly longRest: boolean;
}

export interface FlatSystem {
  /** Top line and bottom line of each staff, from the highest. */
  readonly staves: readonly (readonly [number, number])[];
  /** What belongs to it, ledger lines and words with it, lies between these rows. */
  readonly upper: number;
  readonly lower: number;
  readonly bars: readonly FlatBar[];
}

/** A page as a cutter wants it: staff lines level, bar lines upright, paper white and ink black. */
export interface FlatPage {
  readonly picture: Picture;
  /** Pixels from line to line. */
  readonly space: number;
  readonly systems: readonly FlatSystem[];
}

/** What of a page is kept around its systems, in spaces. */
const AROUND = { side: 7, above: 18, below: 12 } as const;
/** Nothing of a system is farther away from its staves than this, in spaces. */
const REACH = 8;
/** What is paler than this, of the blackest ink, is paper; from the second on it is ink. */
const PAPER_AND_INK = [0.12, 0.6] as const;
const WHITE = 255;

/** A row of the flat page that stays at one place of a staff, and where that is on the straightened page, by column. */
interface Knot {
  readonly row: number;
  readonly source: Float32Array;
}

const middleColumn = (staff: TracedStaff): number => (staff.left + staff.right) / 2;

/** Where an upright line that crosses the middle of the page at a column is, at a row. */
const leaning = ({ uprights, straight }: FoundPage, column: number, row: number): number =>
  column + uprights.at(column) * (row - straight.ink.height / 2);

/** First and last line of every staff, and two rows far outside. */
function knotsOf(page: FoundPage): readonly Knot[] {
  const { width, height } = page.straight.ink;
  const knots: Knot[] = [];
  const put = (row: number, sourceAt: (x: number) => number): void => {
    knots.push({ row, source: Float32Array.from({ length: width }, (_, x) => sourceAt(leaning(page, x, row))) });
  };
  const staves = page.systems
    .flatMap((s) => s.staves)
    .sort((a, b) => topAt(a, middleColumn(a)) - topAt(b, middleColumn(b)));
  staves.forEach((staff, i) => {
    const top = topAt(staff, middleColumn(staff));
    const space = spaceAt(staff, middleColumn(staff));
    // Staves that stand side by side are made level by the one that comes first.
    if (top <= (knots[knots.length - 1]?.row ?? -Infinity)) return;
    if (knots.length === 0) put(top - height, (x) => topAt(staff, x) - (height * spaceAt(staff, x)) / space);
    put(top, (x) => topAt(staff, x));
    const foot = (x: number): number => topAt(staff, x) + LAST_LINE * spaceAt(staff, x);
    put(top + LAST_LINE * space, foot);
    if (i === staves.length - 1)
      put(top + LAST_LINE * space + height, (x) => foot(x) + (height * spaceAt(staff, x)) / space);
  });
  return knots;
}

/** Greys of the part of the flat page that begins at a corner. */
function flattened(page: FoundPage, x0: number, y0: number, width: number, height: number): Picture {
  const { straight, headInk } = page;
  const knots = knotsOf(page);
  const gray = new Uint8Array(width * height);
  const [paper, ink] = PAPER_AND_INK;
  const slopes = Float32Array.from({ length: width }, (_, x) => page.uprights.at(x + x0));
  let above = 0;
  for (let y = 0; y < height; y += 1) {
    const row = y + y0;
    while (above < knots.length - 2 && (knots[above + 1]?.row ?? Infinity) <= row) above += 1;
    const [a, b] = [knots[above], knots[above + 1]];
    if (!a || !b) break;
    const share = (row - a.row) / (b.row - a.row);
    const lean = row - straight.ink.height / 2;
    for (let x = 0; x < width; x += 1) {
      const column = x + x0;
      const from = a.source[column] ?? row;
      const source = from + ((b.source[column] ?? row) - from) * share;
      const dark = valueAt(straight.ink, column + (slopes[x] ?? 0) * lean, source) / headInk;
      gray[y * width + x] = Math.round(WHITE * (1 - Math.max(0, Math.min(1, (dark - paper) / (ink - paper)))));
    }
  }
  return { width, height, gray };
}

/** The ink of each row between two columns, in pixels. */
function rowInk({ width, height, gray }: Picture, from: number, to: number): Float32Array {
  const ink = new Float32Array(height);
  for (let y = 0; y < height; y += 1) {
    let sum = 0;
    for (let x = Math.max(0, Math.floor(from)); x < Math.min(width, to); x += 1)
      sum += WHITE - (gray[y * width + x] ?? WHITE);
    ink[y] = sum / WHITE;
  }
  return ink;
}

/** The row with the least ink between two rows; of rows that are alike the one nearest to the middle. */
function emptiestRow(ink: Float32Array, from: number, to: number): number {
  const middle = (from + to) / 2;
  let best = Math.round(middle);
  let least = Infinity;
  for (let y = Math.max(0, Math.ceil(from)); y <= Math.min(ink.length - 1, to); y += 1) {
    // A pixel of ink is as far as a pixel of way.
    const cost = (ink[y] ?? 0) + Math.abs(y - middle);
    if (cost < least) {
      least = cost;
      best = y;
    }
  }
  return best;
}

/** Fewer pixels of ink than this, in spaces, are specks. */
const SPECKS = 0.4;
/** What stays white above and below what is cut out, in spaces; never less than so many from the staff. */
const MARGIN = 1;
const LEAST = 2.5;

/** The edge of what is cut out, brought in over rows that are blank. */
function trimmed(ink: Float32Array, edge: number, staff: number, space: number): number {
  const way = staff > edge ? 1 : -1;
  const nearest = staff - way * LEAST * space;
  let y = Math.round(edge);
  while (way * (nearest - y) > 0 && (ink[y] ?? 0) < SPECKS * space) y += way;
  // The margin never goes back over the edge.
  const kept = y - way * MARGIN * space;
  return way * (kept - edge) > 0 ? kept : edge;
}

type Placed = Omit<FlatSystem, 'upper' | 'lower'>;

/** The bars of a system, from the first line of its highest staff to the last of its lowest. */
const areaOf = ({ staves, bars }: Placed): MusicArea => ({
  left: bars[0]?.from ?? 0,
  right: bars[bars.length - 1]?.to ?? 0,
  top: staves[0]?.[0] ?? 0,
  bottom: staves[staves.length - 1]?.[1] ?? 0,
});

/** From where to where each system reaches: to the emptiest row between it and the next. */
function withReach(picture: Picture, space: number, systems: readonly Placed[]): readonly FlatSystem[] {
  const areas = systems.map(areaOf);
  return systems.map((system) => {
    const { left, right, top, bottom: foot } = areaOf(system);
    const before = Math.max(...areas.map((a) => a.bottom).filter((f) => f < top), top - 2 * REACH * space);
    const after = Math.min(...areas.map((a) => a.top).filter((t) => t > foot), foot + 2 * REACH * space);
    const ink = rowInk(picture, left, right);
    return {
      ...system,
      upper: trimmed(ink, Math.max(0, top - REACH * space, emptiestRow(ink, before + space, top - space)), top, space),
      lower: trimmed(
        ink,
        Math.min(picture.height, foot + REACH * space, emptiestRow(ink, foot + space, after - space)),
        foot,
        space,
      ),
    };
  });
}

/** Where the middle of a system's line is on the flat page. */
function placedSystem(page: FoundPage, system: FoundSystem, x0: number, y0: number): Placed {
  const middle = middleOf(system, (system.from + system.to) / 2);
  const flat = (x: number): number => x - (leaning(page, x, middle) - x) - x0;
  return {
    staves: system.staves.map((staff): readonly [number, number] => {
      const top = topAt(staff, middleColumn(staff)) - y0;
      return [top, top + LAST_LINE * spaceAt(staff, middleColumn(staff))];
    }),
    bars: system.bars.map(({ from, to, ...bar }) => ({ ...bar, from: flat(from), to: flat(to) })),
  };
}

/**
 * The picture of a page made flat: every staff level however the page was bent, upright lines upright, white paper and
 * black ink, with its systems and bars in its own pixels. Null where no staff is found.
 *
 * @example flatPage({ width: 1, height: 1, gray: new Uint8Array([255]) }) // → null
 */
export function flatPage(picture: Picture, options: PageOptions = {}): FlatPage | null {
  const page = findPage(picture, options);
  const systems = page?.systems ?? [];
  const [first] = systems;
  const last = systems[systems.length - 1];
  if (!page || !first || !last) return null;
  const { space, ink } = page.straight;
  const rows = systems.flatMap((s) => placedSystem(page, s, 0, 0).staves).flat();
  const x0 = Math.max(0, Math.floor(Math.min(...systems.map((s) => s.from)) - AROUND.side * space));
  const x1 = Math.min(ink.width, Math.ceil(Math.max(...systems.map((s) => s.to)) + AROUND.side * space));
  const y0 = Math.max(0, Math.floor(Math.min(...rows) - AROUND.above * space));
  const y1 = Math.min(ink.height, Math.ceil(Math.max(...rows) + AROUND.below * space));
  const placed = systems.map((s) => placedSystem(page, s, x0, y0));
  const flat = withoutEdges(flattened(page, x0, y0, x1 - x0, y1 - y0), space, placed.map(areaOf));
  return { picture: flat, space, systems: withReach(flat, space, placed) };
}
