/**
 * A printed piece laid out without a score file: its bars one by one, with what the page says about each, and as much
 * of the notes as the teacher cares to type. Bars keep their id when others are put in or taken out, so that sections
 * and marks stay where they are.
 */
import { z } from 'zod';
import {
  add,
  compare,
  fraction,
  meterQuarters,
  parseMeter,
  subtract,
  ZERO,
  type Fraction,
  type Key,
  type Meter,
} from '../score';
import { fail, ok, type Result } from '../result';
import { readMusicLine, startVoice } from './abc';
import { parseAbcKey, parseAbcLength } from './abc-header';
import { plainEvent, type Draft, type DraftBar, type DraftEvent, type DraftStaff } from './draft';

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
});

export const gridSchema = z.object({
  kind: z.literal('bar-grid'),
  title: z.string().max(300),
  composer: z.string().max(300),
  staves: z.union([z.literal(1), z.literal(2)]),
  clef: z.enum(['treble', 'bass', 'alto', 'tenor']),
  /** Length of the pick-up in quarters; `0` for none. */
  pickup: quarters,
  bars: z.array(gridBarSchema).min(1).max(MOST_BARS),
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

const freshId = (grid: Grid): string => {
  const used = new Set(grid.bars.map((b) => b.id));
  let n = grid.bars.length + 1;
  while (used.has(`g${n}`)) n += 1;
  return `g${n}`;
};

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

const CLEFS: Readonly<Record<Grid['clef'], DraftStaff['clef']>> = {
  treble: { sign: 'G', line: 2, octaveChange: 0 },
  bass: { sign: 'F', line: 4, octaveChange: 0 },
  alto: { sign: 'C', line: 3, octaveChange: 0 },
  tenor: { sign: 'C', line: 4, octaveChange: 0 },
};

function parseQuarters(text: string): Fraction | null {
  const match = /^(\d{1,3})(?:\/(\d{1,3}))?$/.exec(text);
  const d = Number(match?.[2] ?? '1');
  return match && d > 0 ? fraction(Number(match[1]), d) : null;
}

/** Notes typed for one bar; what the meter still has room for is filled with a hidden rest. */
function typedBar(
  text: string,
  key: Key,
  meter: Meter,
  size: Fraction,
  say: (message: string) => void,
): readonly DraftEvent[] {
  if (text.trim() === '') return [];
  const voice = startVoice(key, meter, fraction(1, 2), 0);
  readMusicLine(text.replace(/[|\n\r]/g, ' '), voice, say);
  const events = voice.bars[0]?.events ?? [];
  const length = events.reduce<Fraction>((sum, e) => add(sum, e.duration), ZERO);
  const missing = subtract(size, length);
  if (missing.n < 0) say(`holds ${length.n / length.d} quarters where the bar has ${size.n / size.d}`);
  return missing.n > 0 && events.length > 0 ? [...events, plainEvent('hidden-rest', missing)] : events;
}

/** What stands on and over a bar of the grid. */
const signsOf = (bar: GridBar) => ({
  tempo: bar.tempo
    ? { word: bar.tempo.word, unit: parseAbcLength(bar.tempo.unit) ?? fraction(1), perMinute: bar.tempo.perMinute }
    : null,
  repeatStart: bar.repeatStart ?? false,
  repeatEnd: bar.repeatEnd ?? null,
  endingStart: bar.ending && bar.ending.length > 0 ? bar.ending : null,
  segno: bar.segno ?? false,
  coda: bar.coda ?? false,
  toCoda: bar.toCoda ?? false,
  fine: bar.fine ?? false,
  jump: bar.jump ?? null,
  doubleBar: bar.doubleBar ?? null,
  lineBreak: bar.lineBreak ?? false,
  rehearsal: bar.rehearsal ?? null,
});

export interface ReadGrid {
  readonly draft: Draft;
  readonly warnings: readonly { readonly bar: number; readonly message: string }[];
}

/**
 * A grid as a draft, ready to become a MusicXML document. Codes: `grid-meter`, `grid-key`, `grid-pickup`, each naming
 * the bar.
 *
 * @example
 * gridToDraft({ pickup: '0', staves: 1, clef: 'treble', bars: [{ id: 'g1', meter: '4' }] }).issue.code
 * // → 'grid-meter'
 */
export function gridToDraft(grid: Grid): Result<ReadGrid, GridCode> {
  const warnings: { bar: number; message: string }[] = [];
  const pickup = parseQuarters(grid.pickup);
  if (!pickup) return fail('grid-pickup', `The pick-up "${grid.pickup}" is not a length in quarters such as 1 or 1/2.`);
  let meter: Meter = parseMeter('4/4') ?? { parts: [], symbol: null };
  let key: Key = { fifths: 0, mode: null };
  let printed = 0;
  let openEnding: readonly number[] | null = null;
  const bars: DraftBar[] = [];
  for (const [i, bar] of grid.bars.entries()) {
    const isPickup = i === 0 && pickup.n > 0;
    if (!isPickup) printed += 1;
    const number = String(printed);
    const newMeter = bar.meter === undefined ? null : parseMeter(bar.meter);
    if (bar.meter !== undefined && !newMeter)
      return fail('grid-meter', `Bar ${number}: "${bar.meter}" is not a meter such as 3/4 or 6/8.`, { bar: number });
    const newKey = bar.key === undefined ? null : parseAbcKey(bar.key);
    if (bar.key !== undefined && !newKey)
      return fail('grid-key', `Bar ${number}: "${bar.key}" is not a key such as G, Em or Bb.`, { bar: number });
    meter = newMeter ?? meter;
    key = newKey ?? key;
    const nominal = meterQuarters(meter);
    if (isPickup && nominal.n > 0 && compare(pickup, nominal) >= 0)
      return fail(
        'grid-pickup',
        `The pick-up of ${grid.pickup} quarters is as long as a bar; leave it out and add a bar.`,
      );
    const size = isPickup ? pickup : nominal.n > 0 ? nominal : fraction(4);
    if (bar.ending && bar.ending.length > 0) openEnding = bar.ending;
    const nextEnding = grid.bars[i + 1]?.ending;
    const closes: boolean =
      openEnding !== null &&
      (bar.endingStop === true ||
        bar.repeatEnd !== undefined ||
        bar.doubleBar !== undefined ||
        nextEnding !== undefined ||
        i === grid.bars.length - 1);
    bars.push({
      id: bar.id,
      number,
      implicit: isPickup,
      quarters: size,
      meter: i === 0 ? meter : newMeter,
      key: i === 0 ? key : newKey,
      ...signsOf(bar),
      endingStop: closes ? openEnding : null,
      content: [
        Array.from({ length: grid.staves }, (_, s) => [
          typedBar(bar.typed?.[s] ?? '', key, meter, size, (message) =>
            warnings.push({ bar: i, message: `bar ${number}: ${message}` }),
          ),
        ]),
      ],
    });
    if (closes) openEnding = null;
  }
  const staves: DraftStaff[] =
    grid.staves === 2 ? [{ clef: CLEFS.treble }, { clef: CLEFS.bass }] : [{ clef: CLEFS[grid.clef] }];
  return ok({
    draft: {
      title: grid.title,
      composer: grid.composer,
      parts: [{ id: 'P1', name: '', sound: null, midiProgram: null, transpose: null, staves }],
      bars,
    },
    warnings,
  });
}
