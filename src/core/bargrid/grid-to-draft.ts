/** A printed page laid out as bars becomes a draft: its signs, and what was typed of its notes. */
import {
  add,
  compare,
  fraction,
  fractionText,
  meterQuarters,
  parseMeter,
  subtract,
  ZERO,
  type Fraction,
  type Key,
  type Meter,
} from '../score';
import { fail, ok, type Result } from '../result';
import { instrumentFromWords, instrumentName, instrumentOf } from '../instruments';
import { clefNamed, readMusicLine, startVoice, transposition } from './abc';
import { parseAbcKey, parseAbcLength } from './abc-header';
import { plainEvent, type Draft, type DraftBar, type DraftEvent, type DraftPart, type DraftStaff } from './draft';
import type { Grid, GridBar, GridCode } from './grid';

/** The part of the grid: what it is played on, and how far from the page that sounds. */
function partOf(grid: Grid, staves: readonly DraftStaff[]): DraftPart {
  const named = grid.instrument === undefined ? null : instrumentFromWords(grid.instrument);
  const about = instrumentOf(named?.instrument ?? 'other');
  // A clef with an 8 says the octave itself.
  const inClef = staves.length === 1 ? (staves[0]?.clef.octaveChange ?? 0) * 12 : 0;
  const moved = about.transposition % 12 === 0 && inClef !== 0 ? 0 : about.transposition;
  return {
    id: 'P1',
    name: named ? instrumentName(named) : '',
    sound: about.sounds[0] ?? null,
    midiProgram: about.programs[0] ?? null,
    transpose: transposition(moved),
    staves,
  };
}

/** A length in quarters as it is kept, `3/2`; null where it is none. */
export function parseQuarters(text: string): Fraction | null {
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
  octaves: number,
  say: (message: string) => void,
): readonly DraftEvent[] {
  if (text.trim() === '') return [];
  const voice = startVoice(key, meter, fraction(1, 2), octaves);
  readMusicLine(text.replace(/[|\n\r]/g, ' '), voice, say);
  const events = voice.bars[0]?.events ?? [];
  const length = events.reduce<Fraction>((sum, e) => add(sum, e.duration), ZERO);
  const missing = subtract(size, length);
  if (missing.n < 0) say(`holds ${fractionText(length)} quarters where the bar has ${fractionText(size)}`);
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
  const octaves = grid.staves === 1 ? clefNamed(grid.clef).octaveChange : 0;
  const originals = new Map(grid.bars.flatMap((b) => (b.typed === undefined ? [] : [[b.id, b.typed] as const])));
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
    const typed = bar.typed ?? originals.get(bar.like ?? '') ?? [];
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
          typedBar(typed[s] ?? '', key, meter, size, octaves, (message) =>
            warnings.push({ bar: i, message: `bar ${number}: ${message}` }),
          ),
        ]),
      ],
    });
    if (closes) openEnding = null;
  }
  const staves: DraftStaff[] =
    grid.staves === 2 ? [{ clef: clefNamed('treble') }, { clef: clefNamed('bass') }] : [{ clef: clefNamed(grid.clef) }];
  return ok({
    draft: {
      title: grid.title,
      composer: grid.composer,
      parts: [partOf(grid, staves)],
      bars,
    },
    warnings,
  });
}
