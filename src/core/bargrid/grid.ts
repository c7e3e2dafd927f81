/**
 * A printed piece laid out without a score file: its bars one by one, with what the page says about each, and as much
 * of the notes as the teacher cares to type. Bars keep their id when others are put in or taken out, so that sections
 * and marks stay where they are.
 */
import { z } from 'zod';
const MOST_BARS = 2000;
const quarters = z.string().regex(/^\d{1,3}(\/\d{1,3})?$/);

export const gridBarSchema = z.object({
  id: z.string().regex(/^[A-Za-z_][\w.-]{0,40}$/),
  /** As printed above the bar, `3/4`; absent where it goes on. */
  meter: z.string().max(20).optional(),
  /** `G`, `Em`, `Bb`; absent where it goes on. */
  key: z.string().max(20).optional(),
  tempo: z
    .object({ word: z.string().max(80), unit: z.string().max(8), perMinute: z.number().min(1).max(999).nullable() })
    .optional(),
  repeatStart: z.boolean().optional(),
  /** How often it sounds in all. */
  repeatEnd: z.number().int().min(2).max(20).optional(),
  /** Numbers of the ending that begins here. */
  ending: z.array(z.number().int().min(1).max(20)).max(20).optional(),
  endingStop: z.boolean().optional(),
  doubleBar: z.enum(['light-light', 'light-heavy']).optional(),
  lineBreak: z.boolean().optional(),
  rehearsal: z.string().max(20).optional(),
  segno: z.boolean().optional(),
  coda: z.boolean().optional(),
  toCoda: z.boolean().optional(),
  fine: z.boolean().optional(),
  jump: z.string().max(40).optional(),
  /** Notes (or only the rhythm) in ABC, one text a staff. */
  typed: z.array(z.string().max(500)).max(2).optional(),
  /** The bar it is a copy of: what is typed there stands here, too. */
  like: z.string().max(41).optional(),
});

/** Clefs of a page of one staff; with an 8 it sounds an octave from where it is written. */
export const GRID_CLEFS = ['treble', 'bass', 'alto', 'tenor', 'treble-8', 'treble+8', 'bass-8', 'percussion'] as const;

export const gridSchema = z.object({
  kind: z.literal('bar-grid'),
  title: z.string().max(300),
  composer: z.string().max(300),
  staves: z.union([z.literal(1), z.literal(2)]),
  clef: z.enum(GRID_CLEFS),
  /** What it is played on, in the teacher's words: the notes are typed as that is read. */
  instrument: z.string().max(60).optional(),
  /** Length of the pick-up in quarters; `0` for none. */
  pickup: quarters,
  bars: z.array(gridBarSchema).min(1).max(MOST_BARS),
  /** Of a page with more staves: the first and the last that are the player's, from 0. */
  shown: z.tuple([z.number().int().min(0).max(40), z.number().int().min(0).max(40)]).optional(),
  /** The highest number that an id of a bar ever had: none is used again. */
  made: z.number().int().min(0).max(1_000_000).optional(),
  /** The teacher has looked at the bars on their pages. */
  agreed: z.boolean().optional(),
  /** How often the bars were changed on their pages. */
  laid: z.number().int().min(0).optional(),
});

export type GridBar = z.infer<typeof gridBarSchema>;
export type Grid = z.infer<typeof gridSchema>;
export type GridCode = 'grid-broken' | 'grid-meter' | 'grid-key' | 'grid-pickup';

export interface GridRequest {
  readonly title: string;
  readonly composer: string;
  readonly bars: number;
  readonly staves: 1 | 2;
  readonly clef: Grid['clef'];
  readonly instrument?: string;
  readonly meter: string;
  readonly key: string;
  readonly pickup: string;
  readonly perMinute: number | null;
}

/**
 * A fresh grid of empty bars, the pick-up not counted among them; the last bar closes with a final bar line.
 *
 * @example
 * emptyGrid({ title: '', composer: '', bars: 2, staves: 1, clef: 'treble', meter: '3/4', key: 'G', pickup: '',
 *   perMinute: null }).bars // → [{ id: 'g1', meter: '3/4', key: 'G' }, { id: 'g2', doubleBar: 'light-heavy' }]
 */
export function emptyGrid(request: GridRequest): Grid {
  const pickup = request.pickup.trim() === '' ? '0' : request.pickup.trim();
  const count = Math.max(1, Math.min(MOST_BARS, Math.round(request.bars))) + (pickup === '0' ? 0 : 1);
  return {
    kind: 'bar-grid',
    title: request.title,
    composer: request.composer,
    staves: request.staves,
    clef: request.clef,
    ...(request.instrument === undefined ? {} : { instrument: request.instrument }),
    pickup,
    bars: Array.from({ length: count }, (_, i): GridBar => ({
      id: `g${i + 1}`,
      ...(i === 0 ? { meter: request.meter, key: request.key } : {}),
      ...(i === 0 && request.perMinute !== null
        ? { tempo: { word: '', unit: '1/4', perMinute: request.perMinute } }
        : {}),
      ...(i === count - 1 ? { doubleBar: 'light-heavy' as const } : {}),
    })),
  };
}

const numberOf = (id: string): number => Number(/^g(\d+)$/.exec(id)?.[1] ?? 0);

/**
 * A number that no bar of the grid had yet: `g` and it are a fresh id.
 *
 * @example freshNumber({ bars: [{ id: 'g1' }, { id: 'g7' }] }) // → 8
 */
export const freshNumber = ({ bars, made = 0 }: Pick<Grid, 'bars' | 'made'>): number =>
  Math.max(made, ...bars.map((b) => numberOf(b.id))) + 1;

const freshId = (grid: Grid): string => `g${freshNumber(grid)}`;

/**
 * Puts an empty bar in after bar `index`.
 *
 * @example insertBar({ bars: [{ id: 'g1' }, { id: 'g2' }] }, 0).bars.map((b) => b.id) // → ['g1', 'g3', 'g2']
 */
export function insertBar(grid: Grid, index: number): Grid {
  if (grid.bars.length >= MOST_BARS) return grid;
  return { ...grid, bars: [...grid.bars.slice(0, index + 1), { id: freshId(grid) }, ...grid.bars.slice(index + 1)] };
}

/**
 * Takes a bar out; what the first bar says about meter, key and tempo passes to the next. The last bar left stays.
 *
 * @example removeBar({ bars: [{ id: 'g1', meter: '3/4' }, { id: 'g2' }] }, 0).bars // → [{ id: 'g2', meter: '3/4' }]
 */
export function removeBar(grid: Grid, index: number): Grid {
  if (grid.bars.length <= 1) return grid;
  const gone = grid.bars[index];
  const rest = grid.bars.filter((_, i) => i !== index);
  const next = rest[index];
  if (gone && next && index === 0)
    rest[0] = {
      ...next,
      ...(gone.meter && !next.meter ? { meter: gone.meter } : {}),
      ...(gone.key && !next.key ? { key: gone.key } : {}),
      ...(gone.tempo && !next.tempo ? { tempo: gone.tempo } : {}),
    };
  return { ...grid, bars: rest };
}

/**
 * Changes one bar; `undefined` takes a value away.
 *
 * @example changeBar({ bars: [{ id: 'g1' }] }, 0, { meter: '3/4' }).bars // → [{ id: 'g1', meter: '3/4' }]
 */
export function changeBar(
  grid: Grid,
  index: number,
  change: { readonly [K in keyof GridBar]?: GridBar[K] | undefined },
): Grid {
  return {
    ...grid,
    bars: grid.bars.map((bar, i) => {
      if (i !== index) return bar;
      const next = Object.fromEntries(
        Object.entries({ ...bar, ...change }).filter(
          ([, value]) => value !== undefined && value !== false && value !== '',
        ),
      );
      return gridBarSchema.parse(next);
    }),
  };
}

/**
 * Says that `count` bars from `to` on are the same as those from `from` on. What is typed at either is typed once;
 * where nothing was typed at the first, what the copy had is theirs.
 *
 * @example
 * sameBars({ bars: [{ id: 'g1' }, { id: 'g2', typed: ['C4'] }] }, 0, 1, 1).bars
 * // → [{ id: 'g1', typed: ['C4'] }, { id: 'g2', like: 'g1' }]
 */
export function sameBars(grid: Grid, from: number, to: number, count: number): Grid {
  const bars = [...grid.bars];
  for (let i = 0; i < count; i += 1) {
    const first = bars[from + i];
    const copy = bars[to + i];
    if (!first || !copy || first.id === copy.id) continue;
    const { typed, like: _, ...rest } = copy;
    // A copy of a copy is one of what that is a copy of.
    const like = first.like ?? first.id;
    const original = bars.findIndex((b) => b.id === like);
    const whole = bars[original];
    if (whole && whole.typed === undefined && typed !== undefined) bars[original] = { ...whole, typed };
    bars[to + i] = { ...rest, like };
  }
  return { ...grid, bars };
}

/**
 * What is typed at a bar, or at the bar that it is a copy of.
 *
 * @example typedAt({ bars: [{ id: 'g1', typed: ['C4'] }] }, { id: 'g2', like: 'g1' }) // → ['C4']
 */
export const typedAt = ({ bars }: Pick<Grid, 'bars'>, bar: GridBar): readonly string[] =>
  bar.typed ?? (bar.like === undefined ? [] : (bars.find((b) => b.id === bar.like)?.typed ?? []));

/**
 * The grid kept as text with its piece; null when the text is none.
 *
 * @example parseGrid('{"kind":"other"}') // → null
 */
export function parseGrid(text: string): Grid | null {
  try {
    const parsed = gridSchema.safeParse(JSON.parse(text));
    return parsed.success ? parsed.data : null;
  } catch {
    return null;
  }
}
