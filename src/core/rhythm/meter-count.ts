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

const isCompound = (length: Fraction, meter: Meter): boolean => meter.parts.some((part) => compare(length, fraction(12, part.unit)) === 0);

/** Syllable of a place inside a beat, as a part of the beat: 0 the number, 1/2 "&", 1/4 "e", 3/4 "a", thirds "la" "li" **[common practice]**. */
export function placeSyllable(place: Fraction, beat: { readonly number: number; readonly compound: boolean }): string {
  const at = `${place.n}/${place.d}`;
  if (place.n === 0) return String(beat.number);
  if (beat.compound) return at === '1/3' ? 'la' : at === '2/3' ? 'li' : place.d === 6 ? 'ta' : at === '1/2' ? '&' : 'ti';
  switch (at) {
    case '1/2':
      return '&';
    case '1/4':
      return 'e';
    case '3/4':
      return 'a';
    case '1/3':
      return 'la';
    case '2/3':
      return 'li';
    default:
      return place.d === 8 || place.d === 6 ? 'ta' : 'ti';
  }
}

/**
 * Meter counting of one staff for bars `from` to `to`: what is struck is said; a beat that is held or rested, and a rest where it
 * begins, is a silent token. Voices of the staff are merged: a place is said when any voice strikes there.
 * Example: dotted quarter, eighth tied to a quarter, quarter in 4/4 gives 1 (2) & (3) 4 **[common practice]**.
 * A free bar has no beats and gives no tokens.
 */
export function countStaff(score: Score, part: string, staff: number, from: number, to: number): BarCount[] {
  const struck = struckNotes(score.notes.filter((n) => n.part === part && n.staff === staff && n.grace === null));
  const struckAt = new Set<number>(struck.map(({ note }) => note.onset));
  const rests: readonly Rest[] = score.rests.filter((r) => r.part === part && r.staff === staff);
  return score.bars.slice(from, to + 1).map((bar) => {
    const { beats, shift } = beatsOf(bar, score.ticksPerQuarter);
    const tokens = new Map<number, CountToken>();
    const place = (onset: number): { beat: Beat; at: Fraction } | null => {
      const quarters = add(shift, fraction(onset - bar.onset, score.ticksPerQuarter));
      const beat = beats.filter((b) => compare(b.start, quarters) <= 0).pop();
      if (!beat) return null;
      return { beat, at: multiply(subtract(quarters, beat.start), fraction(beat.length.d, beat.length.n)) };
    };
    const put = (onset: number, sounding: boolean): void => {
      const there = place(onset);
      if (!there || tokens.get(onset)?.sounding) return;
      tokens.set(onset, { onset: ticks(onset), text: placeSyllable(there.at, there.beat), sounding });
    };
    const end = bar.onset + bar.length;
    for (const onset of struckAt) if (onset >= bar.onset && onset < end) put(onset, true);
    for (const rest of rests) if (rest.onset >= bar.onset && rest.onset < end && !struckAt.has(rest.onset) && rest.bar === bar.index) put(rest.onset, false);
    for (const beat of beats) {
      const quarters = subtract(beat.start, shift);
      if (quarters.n < 0) continue;
      const onset = bar.onset + (quarters.n * score.ticksPerQuarter) / quarters.d;
      if (onset < end && Number.isInteger(onset) && !tokens.has(onset)) put(onset, false);
    }
    return { bar: bar.index, part, staff, tokens: [...tokens.values()].sort((a, b) => a.onset - b.onset) };
  });
}

/** `1 (2) & (3) 4`. */
export const countText = (tokens: readonly CountToken[]): string => tokens.map((t) => (t.sounding ? t.text : `(${t.text})`)).join(' ');
