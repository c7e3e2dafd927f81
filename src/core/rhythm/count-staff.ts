import {
  add,
  compare,
  fraction,
  meterBeats,
  meterQuarters,
  multiply,
  struckNotes,
  subtract,
  ZERO,
  type Bar,
  type Fraction,
  type Meter,
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
  readonly tokens: readonly CountToken[];
}

interface Beat {
  readonly number: number;
  readonly start: Fraction;
  readonly length: Fraction;
  readonly compound: boolean;
}

/** Beats of a bar; a pick-up is counted as the end of a full bar. Shift is what is missing in front, in quarters. */
function beatsOf(bar: Bar, ticksPerQuarter: number): { beats: Beat[]; shift: Fraction } {
  const lengths = meterBeats(bar.meter);
  let start: Fraction = ZERO;
  const beats = lengths.map((length, i) => {
    const beat = { number: i + 1, start, length, compound: isCompound(length, bar.meter) };
    start = add(start, length);
    return beat;
  });
  const nominal = meterQuarters(bar.meter);
  const actual = fraction(bar.length, ticksPerQuarter);
  const pickup = bar.index === 0 && nominal.n > 0 && compare(actual, nominal) < 0;
  return { beats, shift: pickup ? subtract(nominal, actual) : ZERO };
}

const isCompound = (length: Fraction, meter: Meter): boolean =>
  meter.parts.some((part) => compare(length, fraction(12, part.unit)) === 0);

interface Strike {
  readonly onset: number;
  readonly sounding: number;
}

/** Strikes and rests of a staff, the longest of each onset. */
function strikesOf(
  score: Score,
  part: string,
  staff: number,
): { readonly struck: ReadonlyMap<number, Strike>; readonly rests: readonly Rest[] } {
  const struck = new Map<number, Strike>();
  for (const { note, sounding } of struckNotes(
    score.notes.filter((n) => n.part === part && n.staff === staff && n.grace === null),
  )) {
    const there = struck.get(note.onset);
    if (!there || there.sounding < sounding) struck.set(note.onset, { onset: note.onset, sounding });
  }
  return { struck, rests: score.rests.filter((r) => r.part === part && r.staff === staff) };
}

/**
 * Counting of one staff for bars `from` to `to`: what is struck is said; a beat that is held or rested, and a rest
 * where it begins, is a silent token. Voices of the staff are merged: a place is said when any voice strikes there.
 * Example: dotted quarter, eighth tied to a quarter, quarter in 4/4 by meter gives 1 (2) & (3) 4 **[common practice]**.
 * A free bar has no beats and gives no tokens.
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
  system: CountSystem = 'meter',
): BarCount[] {
  const { struck, rests } = strikesOf(score, part, staff);
  const inBars: Strike[][] = score.bars.map(() => []);
  const restsInBars: Rest[][] = score.bars.map(() => []);
  for (const r of rests) restsInBars[r.bar]?.push(r);
  const barAt = (onset: number): number => {
    let low = 0;
    let high = score.bars.length - 1;
    while (low < high) {
      const middle = (low + high + 1) >> 1;
      if ((score.bars[middle]?.onset ?? Infinity) <= onset) low = middle;
      else high = middle - 1;
    }
    return low;
  };
  for (const s of struck.values()) inBars[barAt(s.onset)]?.push(s);
  return score.bars.slice(from, to + 1).map((bar) => {
    const { beats, shift } = beatsOf(bar, score.ticksPerQuarter);
    const tokens = new Map<number, CountToken>();
    const place = (onset: number): { beat: Beat; at: Fraction } | null => {
      const quarters = add(shift, fraction(onset - bar.onset, score.ticksPerQuarter));
      const beat = beats.filter((b) => compare(b.start, quarters) <= 0).pop();
      if (!beat) return null;
      return { beat, at: multiply(subtract(quarters, beat.start), fraction(beat.length.d, beat.length.n)) };
    };
    const put = (onset: number, text: string, sounding: boolean): void => {
      if (!tokens.get(onset)?.sounding) tokens.set(onset, { onset: ticks(onset), text, sounding });
    };
    const inBeats = (length: number, beat: Beat): Fraction =>
      multiply(fraction(length, score.ticksPerQuarter), fraction(beat.length.d, beat.length.n));
    const end = bar.onset + bar.length;
    const beatTicks = (beat: Beat): number => (beat.length.n * score.ticksPerQuarter) / beat.length.d;
    const say = (onset: number, length: number, sounding: boolean): void => {
      const there = place(onset);
      if (!there) return;
      const { beat, at } = there;
      const counted = { place: at, beats: inBeats(length, beat), beat, sounding };
      for (const { text, after } of COUNTING[system].say(counted)) {
        const when = onset + (after.n * beatTicks(beat)) / after.d;
        if (when < end) put(when, text, sounding && when === onset);
      }
    };
    for (const s of inBars[bar.index] ?? []) if (s.onset >= bar.onset && s.onset < end) say(s.onset, s.sounding, true);
    for (const rest of restsInBars[bar.index] ?? [])
      if (rest.onset >= bar.onset && rest.onset < end && !struck.has(rest.onset) && rest.bar === bar.index)
        say(rest.onset, rest.duration, false);
    // Beats on which nothing begins: held or rested on.
    if (COUNTING[system].namesBeats)
      for (const beat of beats) {
        const quarters = subtract(beat.start, shift);
        if (quarters.n < 0) continue;
        const onset = bar.onset + (quarters.n * score.ticksPerQuarter) / quarters.d;
        if (onset < end && Number.isInteger(onset) && !tokens.has(onset)) say(onset, beatTicks(beat), false);
      }
    return { bar: bar.index, part, staff, tokens: [...tokens.values()].sort((a, b) => a.onset - b.onset) };
  });
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
