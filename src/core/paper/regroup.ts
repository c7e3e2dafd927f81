import { freshNumber } from '../bargrid';
import { ok } from '../result';
import type { PageSystem } from '../studio';
import type { PaperResult } from './change-paper';
import { settled, type PageLayout, type Paper } from './paper';

type Staff = readonly [number, number];

interface Owned {
  readonly staff: Staff;
  readonly of: PageSystem;
}

/** Systems of so many staves out of the staves of a page, each with the bars of the one of them that has the most. */
function regrouped(page: PageLayout, staves: number, take: (system: PageSystem) => PageSystem['boxes']): PageLayout {
  const all = page.systems
    .flatMap((of) => of.staves.map((staff): Owned => ({ staff, of })))
    .sort((a, b) => a.staff[0] - b.staff[0]);
  const systems: PageSystem[] = [];
  for (let i = 0; i < all.length; i += staves) {
    const group = all.slice(i, i + staves);
    const [first] = group;
    const last = group[group.length - 1];
    if (!first || !last) break;
    const from = group.reduce((best, o) => (o.of.boxes.length > best.boxes.length ? o.of : best), first.of);
    const above = all[i - 1]?.staff[1];
    const below = all[i + staves]?.staff[0];
    systems.push({
      staves: group.map((o) => [o.staff[0], o.staff[1]]),
      upper: first.of.staves[0] === first.staff || above === undefined ? first.of.upper : (above + first.staff[0]) / 2,
      lower: last.of.staves.at(-1) === last.staff || below === undefined ? last.of.lower : (below + last.staff[1]) / 2,
      boxes: take(from),
    });
  }
  return { ...page, systems };
}

/**
 * Says how many staves are played together in a line, once for all pages. Bars keep their identity where a line keeps
 * its first staff.
 *
 * @example setStavesOfLine(paper, 2).value.paper.layouts[0].systems.length // → 1
 */
export function setStavesOfLine(paper: Paper, staves: number): PaperResult {
  const used = new Set<string>();
  let next = freshNumber(paper.grid);
  const take = ({ boxes }: PageSystem): PageSystem['boxes'] =>
    boxes.map((box) => {
      const bars = box.bars.map((id) => (used.has(id) ? `g${next++}` : id));
      for (const id of bars) used.add(id);
      return { ...box, bars };
    });
  const layouts = paper.layouts.map((page) => regrouped(page, Math.max(1, staves), take));
  const { shown, ...rest } = paper.grid;
  // Staves that were chosen among more than there are now are chosen again.
  const holds = shown !== undefined && shown[1] < staves;
  const seen = holds ? shown[1] - shown[0] + 1 : staves;
  const grid: Paper['grid'] = { ...rest, ...(holds ? { shown } : {}), staves: seen === 2 ? 2 : 1 };
  return ok({
    paper: settled({ grid, layouts }),
    moved: new Map(),
    keepsLines: true,
  });
}
