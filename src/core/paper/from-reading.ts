import type { Grid, GridBar } from '../bargrid';
import type { FlatBar, FlatPage } from '../page';
import type { Box } from '../studio';
import { freshIds, settled, type PageLayout, type Paper } from './paper';

/** Below this a bar line is shown as doubtful. */
const SURE = 0.55;

/** Where more of the lines of a page than this look double, none is: it is blurred. */
const MOST_DOUBLE = 0.34;

/** What the lines of a page say about a bar. */
const signsOf = ({ starts, ends }: FlatBar, doubles: boolean): Omit<GridBar, 'id'> => ({
  ...(starts === 'repeat' ? { repeatStart: true } : {}),
  ...(ends === 'repeat' ? { repeatEnd: 2 } : {}),
  ...(ends === 'double' && doubles ? { doubleBar: 'light-light' as const } : {}),
  ...(ends === 'final' ? { doubleBar: 'light-heavy' as const } : {}),
});

/** What is drawn as a rest of several bars is taken for two, until somebody says how many they are. */
const barsIn = ({ longRest }: FlatBar): number => (longRest ? 2 : 1);

/** A page as it was read, and what is kept of it. */
export interface PageToPlace {
  readonly id: string;
  readonly pieceId: string;
  readonly width: number;
  readonly height: number;
  readonly flat: Pick<FlatPage, 'space' | 'systems'>;
}

/**
 * Pages that were read, as layouts with bars of fresh ids, and what their lines say about those bars.
 *
 * @example placedPages(paper, []).layouts // → []
 */
export function placedPages(
  paper: Paper,
  pages: readonly PageToPlace[],
): { readonly layouts: readonly PageLayout[]; readonly bars: readonly GridBar[] } {
  const found = pages.flatMap((p) => p.flat.systems.flatMap((s) => s.bars));
  const ids = freshIds(
    paper,
    found.reduce((n, bar) => n + barsIn(bar), 0),
  );
  let next = 0;
  const bars: GridBar[] = [];
  const first = Math.max(0, ...paper.layouts.map((l) => l.order)) + 1;
  const layouts = pages.map(({ id, pieceId, width, height, flat }, i): PageLayout => {
    const all = flat.systems.flatMap((s) => s.bars);
    const doubles = all.filter((b) => b.ends === 'double').length <= MOST_DOUBLE * all.length;
    return {
      id,
      pieceId,
      order: first + i,
      width,
      height,
      space: flat.space,
      systems: flat.systems.map(({ staves, upper, lower, bars: found }) => ({
        staves: staves.map(([top, bottom]) => [top, bottom]),
        upper,
        lower,
        boxes: found.map((bar): Box => {
          const own = ids.slice(next, next + barsIn(bar));
          next += own.length;
          const { repeatStart, ...ends } = signsOf(bar, doubles);
          own.forEach((id, k) =>
            bars.push({
              id,
              ...(k === 0 && repeatStart === true ? { repeatStart } : {}),
              ...(k === own.length - 1 ? ends : {}),
            }),
          );
          return {
            bars: own,
            from: bar.from,
            to: bar.to,
            ...(bar.certainty < SURE ? { unsure: true } : {}),
            ...(bar.longRest ? { longRest: true } : {}),
          };
        }),
      })),
    };
  });
  return { layouts, bars };
}

/** Clef, key and meter take about this much of the first bar, in spaces. */
const PREFIX = 9;
/** What is narrower than this share of the usual bar is a pick-up. */
const NARROW = 0.55;

const median = (values: readonly number[]): number => [...values].sort((a, b) => a - b)[values.length >> 1] ?? 0;

/**
 * Whether the first bar looks like a pick-up: narrower than the others, without what stands before its notes.
 *
 * @example looksLikePickup([]) // → false
 */
export function looksLikePickup(layouts: readonly PageLayout[]): boolean {
  const [page] = layouts;
  const [first, ...rest] = page?.systems[0]?.boxes ?? [];
  if (!page || !first || rest.length === 0) return false;
  const usual = median(rest.map((b) => b.to - b.from));
  return first.to - first.from - PREFIX * page.space < NARROW * usual;
}

/**
 * Staves of most systems.
 *
 * @example usualStaves(paper.layouts) // → 1
 */
export const usualStaves = (layouts: readonly PageLayout[]): number =>
  median(layouts.flatMap((l) => l.systems.map((s) => s.staves.length))) || 1;

/** What is asked of printed pages, with good guesses. */
export interface AboutPages {
  readonly title: string;
  readonly instrument: string;
  readonly clef: Grid['clef'];
  /** First and last staff of the player, from 0; null for all. */
  readonly shown: readonly [number, number] | null;
}

/**
 * A piece out of pages that were read: its grid, with what is usual where a page says nothing that can be read. Where
 * no bar was found it has one that lies nowhere, until a line is drawn by hand.
 *
 * @example
 * paperOf([], { title: 'Air', instrument: 'flute', clef: 'treble', shown: null }).grid.bars
 * // → [{ id: 'g1', meter: '4/4', key: 'C' }]
 */
export function paperOf(pages: readonly PageToPlace[], about: AboutPages): Paper {
  const empty: Paper = {
    grid: {
      kind: 'bar-grid',
      title: about.title,
      composer: '',
      staves: 1,
      clef: about.clef,
      instrument: about.instrument,
      pickup: '0',
      bars: [],
    },
    layouts: [],
  };
  const { layouts, bars } = placedPages(empty, pages);
  const [first = { id: 'g1' }, ...rest] = bars;
  const staves = usualStaves(layouts);
  const [from, to] = about.shown ?? [0, staves - 1];
  const paper: Paper = {
    grid: {
      ...empty.grid,
      staves: to - from + 1 === 2 ? 2 : 1,
      ...(about.shown && to - from + 1 < staves ? { shown: [from, to] } : {}),
      pickup: looksLikePickup(layouts) ? '1' : '0',
      bars: [{ ...first, meter: '4/4', key: 'C' }, ...rest],
    },
    layouts,
  };
  return bars.length === 0 ? paper : settled(paper);
}
