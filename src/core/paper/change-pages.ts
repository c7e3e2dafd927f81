import { fail, ok } from '../result';
import type { Box } from '../studio';
import type { PaperResult } from './change-paper';
import { movedBars, type MovedPart } from './moved-bars';
import { boxesOf, settled, type PageLayout, type Paper } from './paper';

const NOTHING = fail('paper-nothing-there', 'There is no such page any more.');

const inOrder = (layouts: readonly PageLayout[]): readonly PageLayout[] =>
  layouts.map((l, i) => (l.order === i + 1 ? l : { ...l, order: i + 1 }));

/**
 * Puts a page in another place of the piece, counted from 0.
 *
 * @example movePage(paper, 'a', 0).ok // → true
 */
export function movePage(paper: Paper, page: string, to: number): PaperResult {
  const moved = paper.layouts.find((l) => l.id === page);
  if (!moved) return NOTHING;
  const rest = paper.layouts.filter((l) => l !== moved);
  const at = Math.max(0, Math.min(rest.length, to));
  return ok({
    paper: settled({ ...paper, layouts: inOrder([...rest.slice(0, at), moved, ...rest.slice(at)]) }),
    moved: new Map(),
    keepsLines: true,
  });
}

/**
 * Takes a page with its bars out of the piece; the last one stays.
 *
 * @example removePage(paper, 'a').issue.code // → 'paper-full'
 */
export function removePage(paper: Paper, page: string): PaperResult {
  const gone = paper.layouts.find((l) => l.id === page);
  const layouts = inOrder(paper.layouts.filter((l) => l.id !== page));
  if (!gone) return NOTHING;
  if (!layouts.some((l) => l.systems.length > 0))
    return fail('paper-full', 'A piece needs one page with music; bring in another before this one goes.');
  return ok({
    paper: settled({ ...paper, layouts }),
    moved: new Map(gone.systems.flatMap((s) => [...movedBars(s, null)])),
    keepsLines: false,
  });
}

/**
 * Puts pages with bars of their own behind those that are there.
 *
 * @example addPages(paper, []).value.paper.layouts.length // → 1
 */
export const addPages = (paper: Paper, pages: readonly PageLayout[]): PaperResult =>
  ok({
    paper: settled({ ...paper, layouts: inOrder([...paper.layouts, ...pages]) }),
    moved: new Map(),
    keepsLines: true,
  });

/** What another photograph of the same music differs in. */
export interface Differences {
  readonly before: number;
  readonly after: number;
  /** Bars that no box of the new pages is left for. */
  readonly lost: readonly string[];
}

/**
 * Lays other pictures of the same music under a piece: bars keep their identity in reading order, wherever the lines
 * break now. What the piece says about its bars stays.
 *
 * @example layAnew(paper, paper.layouts).differences // → { before: 8, after: 8, lost: [] }
 */
export function layAnew(
  paper: Paper,
  pages: readonly PageLayout[],
): { readonly change: PaperResult; readonly differences: Differences } {
  const former = boxesOf(paper);
  const order = former.flatMap((b) => b.bars);
  let next = 0;
  const rename = (box: Box): Box => {
    // Rests that are drawn as one and were counted before are counted again.
    const several = former.find((b) => b.bars[0] === order[next] && b.bars.length > 1);
    const count = box.bars.length === 1 && several ? several.bars.length : box.bars.length;
    const own = Array.from({ length: count }, (_, i) => order[next + i] ?? box.bars[i] ?? '').filter((b) => b !== '');
    next += count;
    return { ...box, bars: own };
  };
  const layouts = inOrder(
    pages.map((p) => ({ ...p, systems: p.systems.map((s) => ({ ...s, boxes: s.boxes.map(rename) })) })),
  );
  const after = layouts.flatMap((l) => l.systems.flatMap((s) => s.boxes.flatMap((b) => b.bars)));
  const lost = order.slice(after.length);
  const gone: readonly (readonly [string, readonly MovedPart[]])[] = lost.map((bar) => [bar, []]);
  return {
    change: ok({ paper: settled({ ...paper, layouts }), moved: new Map(gone), keepsLines: true }),
    differences: { before: order.length, after: after.length, lost },
  };
}
