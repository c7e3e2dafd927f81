import {
  add,
  compare,
  fraction,
  hasUnsaidGroups,
  meterBeats,
  meterQuarters,
  multiply,
  isPickupBar,
  struckNotes,
  subtract,
  ZERO,
  type Bar,
  type Fraction,
  type Meter,
  type MeterPart,
  type Rest,
  type Score,
} from '../score';
import { ticks, type Ticks } from '../units';
import { COUNTING, type CountSystem } from './systems/systems';

/** One said or silent token of a count; `sounding` is false for what is held or rested. */
export interface CountToken {
  readonly onset: Ticks;
  /** Plain: the brackets of silent tokens are added where they are shown. */
  readonly text: string;
  readonly sounding: boolean;
}

export interface BarCount {
  readonly bar: number;
  readonly part: string;
  readonly staff: number;
  /** Of which voice; null where the staff has one, or all have the same rhythm. */
  readonly voice: string | null;
  readonly tokens: readonly CountToken[];
}

interface Beat {
  readonly number: number;
  readonly start: Fraction;
  readonly length: Fraction;
  readonly compound: boolean;
}

/** How a teacher counts, where teachers differ. */
export interface CountingWay {
  readonly system: CountSystem;
  /** 6/8 in two and 3/8 in one; 3/8 alone in three; all by eighths, 1 to 6. */
  readonly compound: 'beats' | 'three' | 'eighths';
  /** 5/8 and 7/8 where neither print nor beams, accents and long notes say it: the long beat first or last. */
  readonly uneven: 'long' | 'short';
  /** The voices of a staff each for itself, or as one rhythm. */
  readonly voices: 'apart' | 'together';
}

export const USUAL_WAY: CountingWay = { system: 'meter', compound: 'beats', uneven: 'long', voices: 'apart' };

/** Parts of a meter whose beats nobody says: 5/8 without groups and without a pulse of its own. */
const isOpen = (part: MeterPart): boolean =>
  part.pulse === undefined && (part.groups[0] ?? 0) % 2 === 1 && hasUnsaidGroups(part);

/**
 * A bar whose beats the teacher has to say: nothing in the piece does.
 *
 * @example hasOpenBeats(simpleMeter(5, 8)) // → true
 */
export const hasOpenBeats = (meter: Meter): boolean => meter.parts.some(isOpen);

/**
 * A bar that is counted in beats of three eighths, or eighth by eighth.
 *
 * @example hasCompoundBeats(simpleMeter(6, 8)) // → true
 */
export const hasCompoundBeats = (meter: Meter): boolean =>
  meter.parts.some(({ groups, unit, pulse }) => {
    const count = groups.reduce((a, b) => a + b, 0);
    return unit >= 8 && count % 3 === 0 && groups.length === 1 && pulse === undefined;
  });

function countedBeats(meter: Meter, { compound, uneven }: CountingWay): readonly Fraction[] {
  return meter.parts.flatMap((part) => {
    const one: Meter = { parts: [part], symbol: null };
    const [count = 0] = part.groups;
    if (hasCompoundBeats(one) && (compound === 'eighths' || (compound === 'three' && count === 3)))
      return Array.from({ length: count }, () => fraction(4, part.unit));
    const beats = meterBeats(one);
    return isOpen(part) && uneven === 'short' ? [...beats].reverse() : beats;
  });
}

/** Beats of a bar; a pick-up is counted as the end of a full bar. Shift is what is missing in front, in quarters. */
function beatsOf(
  score: Score,
  bar: Bar,
  way: CountingWay,
): { readonly beats: readonly Beat[]; readonly shift: Fraction } {
  let start: Fraction = ZERO;
  const beats = countedBeats(bar.meter, way).map((length, i) => {
    const beat = { number: i + 1, start, length, compound: isCompound(length, bar.meter) };
    start = add(start, length);
    return beat;
  });
  const shift =
    bar.index === 0 && isPickupBar(score)
      ? subtract(meterQuarters(bar.meter), fraction(bar.length, score.ticksPerQuarter))
      : ZERO;
  return { beats, shift };
}

const isCompound = (length: Fraction, meter: Meter): boolean =>
  meter.parts.some((part) => compare(length, fraction(12, part.unit)) === 0);

interface Strike {
  readonly onset: number;
  readonly sounding: number;
}

/** What is struck and rested in one bar. */
interface Counted {
  readonly voice: string | null;
  readonly strikes: readonly Strike[];
  readonly rests: readonly Rest[];
}

/** The longest of what is struck at each onset. */
function longestAt(strikes: readonly Strike[]): readonly Strike[] {
  const longest = new Map<number, Strike>();
  for (const strike of strikes) {
    const there = longest.get(strike.onset);
    if (!there || there.sounding < strike.sounding) longest.set(strike.onset, strike);
  }
  return [...longest.values()];
}

/** The lines of a bar that are counted by themselves: its voices, where more than one has a rhythm of its own. */
function linesOf(
  struck: ReadonlyMap<string, readonly Strike[]>,
  rests: readonly Rest[],
  { voices }: CountingWay,
): readonly Counted[] {
  const all = longestAt([...struck.values()].flat());
  const rhythms = [...struck]
    .sort(([a], [b]) => a.localeCompare(b, 'en', { numeric: true }))
    .map(([voice, strikes]) => ({ voice, strikes: longestAt(strikes) }));
  const face = (strikes: readonly Strike[]): string => strikes.map((s) => `${s.onset} ${s.sounding}`).join();
  if (voices === 'together' || new Set(rhythms.map((r) => face(r.strikes))).size <= 1)
    return [{ voice: null, strikes: all, rests: rests.filter((r) => !all.some((s) => s.onset === r.onset)) }];
  return rhythms.map(({ voice, strikes }) => ({ voice, strikes, rests: rests.filter((r) => r.voice === voice) }));
}

/** Tokens of one line of a bar. */
function tokensOf(score: Score, bar: Bar, { strikes, rests }: Counted, way: CountingWay): readonly CountToken[] {
  const { beats, shift } = beatsOf(score, bar, way);
  const system = COUNTING[way.system];
  const tokens = new Map<number, CountToken>();
  // What is not written is not counted.
  const end = bar.blankFrom ?? bar.onset + bar.length;
  const put = (onset: number, text: string, sounding: boolean): void => {
    if (onset < end && !tokens.get(onset)?.sounding) tokens.set(onset, { onset: ticks(onset), text, sounding });
  };
  const beatTicks = ({ length }: Beat): number => (length.n * score.ticksPerQuarter) / length.d;
  const say = (onset: number, length: number, sounding: boolean): void => {
    const quarters = add(shift, fraction(onset - bar.onset, score.ticksPerQuarter));
    const beat = beats.findLast((b) => compare(b.start, quarters) <= 0);
    if (!beat || onset < bar.onset || onset >= end) return;
    const inBeats = (value: Fraction): Fraction => multiply(value, fraction(beat.length.d, beat.length.n));
    const counted = {
      place: inBeats(subtract(quarters, beat.start)),
      beats: inBeats(fraction(length, score.ticksPerQuarter)),
      beat,
      sounding,
    };
    for (const { text, after } of system.say(counted)) {
      const when = onset + (after.n * beatTicks(beat)) / after.d;
      put(when, text, sounding && when === onset);
    }
  };
  for (const s of strikes) say(s.onset, s.sounding, true);
  for (const rest of rests) say(rest.onset, rest.duration, false);
  // Beats on which nothing begins: held or rested on.
  if (system.namesBeats)
    for (const beat of beats) {
      const quarters = subtract(beat.start, shift);
      const onset = bar.onset + (quarters.n * score.ticksPerQuarter) / quarters.d;
      if (quarters.n >= 0 && Number.isInteger(onset) && !tokens.has(onset)) say(onset, beatTicks(beat), false);
    }
  return [...tokens.values()].sort((a, b) => a.onset - b.onset);
}

/**
 * Counting of one staff for bars `from` to `to`: what is struck is said; a beat that is held or rested, and a rest
 * where it begins, is a silent token. Voices of a staff that differ in rhythm are counted apart, the upper one first.
 * Example: dotted quarter, eighth tied to a quarter, quarter in 4/4 by meter gives 1 (2) & (3) 4 **[common practice]**.
 * A free bar has no beats and gives no tokens; nor is counted what is not written.
 *
 * @example
 * countStaff(scoreOf('C3/2 D/2 E2 |]'), 'P1', 1, 0, 0)[0].tokens.map((t) => t.text) // → ['1', '2', '&', '3', '4']
 */
export function countStaff(
  score: Score,
  part: string,
  staff: number,
  from: number,
  to: number,
  way: Partial<CountingWay> = {},
): BarCount[] {
  const counted = { ...USUAL_WAY, ...way };
  const bars = score.bars.slice(from, to + 1);
  const struck = bars.map(() => new Map<string, Strike[]>());
  for (const { note, sounding } of struckNotes(
    score.notes.filter((n) => n.part === part && n.staff === staff && n.grace === null),
  )) {
    const voices = struck[note.bar - from];
    const there = voices?.get(note.voice);
    if (there) there.push({ onset: note.onset, sounding });
    else voices?.set(note.voice, [{ onset: note.onset, sounding }]);
  }
  const rests = bars.map((): Rest[] => []);
  for (const rest of score.rests) if (rest.part === part && rest.staff === staff) rests[rest.bar - from]?.push(rest);
  return bars.flatMap((bar, i) =>
    linesOf(struck[i] ?? new Map<string, Strike[]>(), rests[i] ?? [], counted).map((line) => ({
      bar: bar.index,
      part,
      staff,
      voice: line.voice,
      tokens: tokensOf(score, bar, line, counted),
    })),
  );
}

/** A tied note counted to its full length and released on the next beat: tied for 6, off on 7 **[common practice]**. */
export interface TieCount {
  readonly noteId: string;
  readonly beats: Fraction;
  /** Beat number after the last, counted on from the first; the release falls there. */
  readonly offOn: Fraction;
}

/**
 * Ties of a staff: how many beats the note is held, and on which count it ends.
 *
 * @example tieCounts(scoreOf('C2 D2- | D2 z2 |]'), 'P1', 1).map((t) => fractionText(t.beats)) // → ['4']
 */
export function tieCounts(score: Score, part: string, staff: number): TieCount[] {
  const mine = score.notes.filter((n) => n.part === part && n.staff === staff && n.grace === null);
  return struckNotes(mine).flatMap(({ note, sounding }) => {
    if (sounding === note.duration) return [];
    const bar = score.bars[note.bar];
    const [first] = bar ? meterBeats(bar.meter) : [];
    const beat = first ?? fraction(1);
    const beats = multiply(fraction(sounding, score.ticksPerQuarter), fraction(beat.d, beat.n));
    return [{ noteId: note.id, beats, offOn: add(beats, fraction(1)) }];
  });
}

/**
 * `1 (2) & (3) 4`.
 *
 * @example countText(countStaff(scoreOf('C D E2|'), 'P1', 1, 0, 0)[0].tokens) // → '1 2 3 (4)'
 */
export const countText = (tokens: readonly CountToken[]): string =>
  tokens.map((t) => (t.sounding ? t.text : `(${t.text})`)).join(' ');
