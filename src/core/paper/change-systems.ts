import { fail, ok } from '../result';
import type { PageSystem } from '../studio';
import type { PaperResult } from './change-paper';
import { movedBars } from './moved-bars';
import { freshIds, outerLines, pageOf, settled, systemAt, withSystem, type Paper, type SystemPlace } from './paper';

const NOTHING = fail('paper-nothing-there', 'There is no such system on the page any more.');
/** A system is at least so many spaces of a staff wide, and a staff high. */
const LEAST = { width: 4, height: 2 } as const;
/** What is cut out with it above and below, in spaces, where nobody says more. */
const REACH = 5;

/** Top and bottom line and the two ends of a system, in pixels of the page. */
export interface SystemEdges {
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
}

/** Rows of `staves` staves that fill a height as they usually do: a space between two is about as high as a staff. */
function stavesBetween(top: number, bottom: number, staves: number): readonly [number, number][] {
  const each = (bottom - top) / (2 * staves - 1);
  return Array.from({ length: staves }, (_, i): [number, number] => [top + 2 * i * each, top + (2 * i + 1) * each]);
}

/**
 * Draws a system where none was found: one bar, to be cut by bar lines.
 *
 * @example
 * addSystem(paper, 'a', { left: 50, right: 450, top: 210, bottom: 250 }, 1).value.paper.grid.bars.length // → 9
 */
export function addSystem(paper: Paper, page: string, edges: SystemEdges, staves: number): PaperResult {
  const layout = pageOf(paper, { page });
  if (!layout) return NOTHING;
  const { left, right, top, bottom } = edges;
  const { space } = layout;
  if (right - left < LEAST.width * space || bottom - top < LEAST.height * space)
    return fail('paper-too-narrow', 'Draw over a whole line of music, from its first to its last staff line.');
  const [id = ''] = freshIds(paper, 1);
  const system: PageSystem = {
    staves: [...stavesBetween(top, bottom, staves)],
    upper: Math.max(0, top - REACH * space),
    lower: Math.min(layout.height, bottom + REACH * space),
    boxes: [{ bars: [id], from: left, to: right }],
  };
  const middle = (s: PageSystem): number => {
    const [first, last] = outerLines(s);
    return (first + last) / 2;
  };
  const systems = [...layout.systems, system].sort((a, b) => middle(a) - middle(b));
  return ok({
    paper: settled({
      ...paper,
      layouts: paper.layouts.map((l) => (l.id === page ? { ...l, systems } : l)),
    }),
    moved: new Map(),
    keepsLines: false,
  });
}

/**
 * Takes a system away that is none; the last one of a piece stays.
 *
 * @example removeSystem(paper, { page: 'a', system: 1 }).value.paper.grid.bars.length // → 4
 */
export function removeSystem(paper: Paper, place: SystemPlace): PaperResult {
  const system = systemAt(paper, place);
  if (!system) return NOTHING;
  if (paper.layouts.reduce((n, l) => n + l.systems.length, 0) <= 1)
    return fail('paper-full', 'A piece needs one line of music; draw another before this one goes.');
  return ok({
    paper: settled(withSystem(paper, place, null)),
    moved: movedBars(system, null),
    keepsLines: false,
  });
}

/**
 * Moves the upper or lower edge of what is cut out for a system, or its two ends.
 *
 * @example moveSystemEdge(paper, { page: 'a', system: 0 }, 'upper', 70).value.paper.layouts[0].systems[0].upper // → 70
 */
export function moveSystemEdge(paper: Paper, place: SystemPlace, edge: 'upper' | 'lower', to: number): PaperResult {
  const system = systemAt(paper, place);
  const page = pageOf(paper, place);
  if (!system || !page) return NOTHING;
  const [top, bottom] = outerLines(system);
  const after: PageSystem =
    edge === 'upper'
      ? { ...system, upper: Math.max(0, Math.min(top, to)) }
      : { ...system, lower: Math.min(page.height, Math.max(bottom, to)) };
  return ok({ paper: withSystem(paper, place, after), moved: new Map(), keepsLines: true });
}
