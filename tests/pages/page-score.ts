/** How well bars were found: by their boxes, as areas that both share over areas of either. */
import type { PageCorners, PagePoint, ReadPage } from '../../src/core/page';
import type { TruePage } from './engrave-page';

/** A bar is found where its box shares so much. */
const FOUND = 0.8;
/** Points along each side at which two boxes are compared. */
const GRID = 50;

function isInside(box: PageCorners, [x, y]: PagePoint): boolean {
  const sides = box.map(([ax, ay], i) => {
    const [bx, by] = box[(i + 1) % 4] ?? [ax, ay];
    return (bx - ax) * (y - ay) - (by - ay) * (x - ax) >= 0;
  });
  return sides.every((s) => s === sides[0]);
}

/** The area of both over that of either. */
export function overlap(a: PageCorners, b: PageCorners): number {
  const xs = [...a, ...b].map(([x]) => x);
  const ys = [...a, ...b].map(([, y]) => y);
  const [x0, y0] = [Math.min(...xs), Math.min(...ys)];
  const [w, h] = [Math.max(...xs) - x0, Math.max(...ys) - y0];
  let [both, either] = [0, 0];
  for (let i = 0; i < GRID; i += 1)
    for (let j = 0; j < GRID; j += 1) {
      const at: PagePoint = [x0 + (w * (i + 0.5)) / GRID, y0 + (h * (j + 0.5)) / GRID];
      const [inA, inB] = [isInside(a, at), isInside(b, at)];
      both += Number(inA && inB);
      either += Number(inA || inB);
    }
  return either === 0 ? 0 : both / either;
}

export interface PageScore {
  readonly bars: number;
  readonly found: number;
  readonly wrong: number;
  readonly systemsRight: boolean;
  /** Pixels from each corner of a bar that was found to where it is. */
  readonly cornersOff: readonly number[];
}

/** Found bars against true ones; each counts once. */
export function scoreOf(read: ReadPage, { systems }: Pick<TruePage, 'systems'>): PageScore {
  const bars = systems.flat();
  const open = new Set(read.systems.flatMap((s) => s.bars.map((b) => b.corners)));
  const proposed = open.size;
  const cornersOff: number[] = [];
  let found = 0;
  for (const bar of bars) {
    const hit = [...open].find((box) => overlap(box, bar) >= FOUND);
    if (!hit) continue;
    open.delete(hit);
    found += 1;
    bar.forEach(([x, y], i) => {
      const [hx, hy] = hit[i] ?? [x, y];
      cornersOff.push(Math.hypot(hx - x, hy - y));
    });
  }
  return {
    bars: bars.length,
    found,
    wrong: proposed - found,
    systemsRight: read.systems.length === systems.length,
    cornersOff,
  };
}

/** Found bars over true and wrongly found ones. */
export const shareFound = (scores: readonly PageScore[]): number =>
  scores.reduce((sum, s) => sum + s.found, 0) / scores.reduce((sum, s) => sum + s.bars + s.wrong, 0);
