import { freshNumber, type Grid, type GridBar } from '../bargrid';
import type { Box, Layout, PageSystem } from '../studio';

/** Where bars lie on one page, without its times. */
export type PageLayout = Omit<Layout, 'updatedAt' | 'touched'>;

/** A piece as it stands on paper: what its bars are, and where they lie. Pages in their order. */
export interface Paper {
  readonly grid: Grid;
  readonly layouts: readonly PageLayout[];
}

/** One system of one page. */
export interface SystemPlace {
  readonly page: string;
  readonly system: number;
}

/**
 * Every box in reading order.
 *
 * @example boxesOf(paper)[0].bars // → ['g1']
 */
export const boxesOf = ({ layouts }: Pick<Paper, 'layouts'>): readonly Box[] =>
  layouts.flatMap((l) => l.systems.flatMap((s) => s.boxes));

export const systemAt = ({ layouts }: Paper, { page, system }: SystemPlace): PageSystem | null =>
  layouts.find((l) => l.id === page)?.systems[system] ?? null;

export const pageOf = ({ layouts }: Paper, { page }: Pick<SystemPlace, 'page'>): PageLayout | null =>
  layouts.find((l) => l.id === page) ?? null;

/**
 * First line of the highest staff of a system and last line of its lowest.
 *
 * @example outerLines({ staves: [[10, 50], [100, 140]] }) // → [10, 140]
 */
export const outerLines = ({ staves }: Pick<PageSystem, 'staves'>): readonly [number, number] => [
  staves[0]?.[0] ?? 0,
  staves[staves.length - 1]?.[1] ?? 0,
];

/** The same paper with another system in the place of one; null takes it away. */
export const withSystem = (paper: Paper, place: SystemPlace, system: PageSystem | null): Paper => ({
  ...paper,
  layouts: paper.layouts.map((l) =>
    l.id === place.page ? { ...l, systems: l.systems.flatMap((s, i) => (i === place.system ? (system ?? []) : s)) } : l,
  ),
});

/** What stands at the end of a bar: with the bar cut in two it is its second half that has it. */
const AT_END = [
  'repeatEnd',
  'endingStop',
  'doubleBar',
  'toCoda',
  'fine',
  'jump',
] as const satisfies readonly (keyof GridBar)[];

const endOf = (bar: GridBar): Partial<GridBar> =>
  Object.fromEntries(AT_END.flatMap((name) => (bar[name] === undefined ? [] : [[name, bar[name]]])));
const isAtEnd = (name: string): boolean => AT_END.some((end) => end === name);
const withoutEnd = (bar: GridBar): GridBar => ({
  ...Object.fromEntries(Object.entries(bar).filter(([name]) => !isAtEnd(name))),
  id: bar.id,
});

/** What the first bar says about meter, key and tempo, where the next ones do not. */
function withBeginning(bars: readonly GridBar[], first: GridBar | undefined): readonly GridBar[] {
  const [now, ...rest] = bars;
  if (!now || !first || now.id === first.id) return bars;
  return [
    {
      ...now,
      ...(first.meter !== undefined && now.meter === undefined ? { meter: first.meter } : {}),
      ...(first.key !== undefined && now.key === undefined ? { key: first.key } : {}),
      ...(first.tempo !== undefined && now.tempo === undefined ? { tempo: first.tempo } : {}),
    },
    ...rest,
  ];
}

/**
 * The grid in the order in which its bars are read on the pages: bars that lie nowhere are gone, new ones are there,
 * lines begin where systems do. `halves` names, for each new bar, the one that it was cut from.
 *
 * @example settled(paper).grid.bars.length // → 8
 */
export function settled(paper: Paper, halves: ReadonlyMap<string, string> = new Map()): Paper {
  const before = new Map(paper.grid.bars.map((b) => [b.id, b]));
  const cut = new Set(halves.values());
  const begins = new Set(paper.layouts.flatMap((l) => l.systems.map((s) => s.boxes[0]?.bars[0])).slice(1));
  const bars = boxesOf(paper)
    .flatMap((b) => b.bars)
    .map((id): GridBar => {
      const from = halves.get(id);
      const whole = from === undefined ? before.get(id) : before.get(from);
      const own = from === undefined ? (whole ?? { id }) : { id, ...(whole ? endOf(whole) : {}) };
      const bar = from === undefined && cut.has(id) ? withoutEnd(own) : own;
      const { lineBreak: _, ...rest } = bar;
      return begins.has(id) ? { ...rest, lineBreak: true } : rest;
    });
  const made = freshNumber({ ...paper.grid, bars: [...paper.grid.bars, ...bars] }) - 1;
  return { ...paper, grid: { ...paper.grid, made, bars: [...withBeginning(bars, paper.grid.bars[0])] } };
}

/**
 * Ids of so many bars that are not there yet.
 *
 * @example freshIds(paper, 2) // → ['g9', 'g10']
 */
export const freshIds = ({ grid }: Paper, count: number): readonly string[] => {
  const first = freshNumber(grid);
  return Array.from({ length: count }, (_, i) => `g${first + i}`);
};
