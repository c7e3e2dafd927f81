import { FREE_BEND, freeTimeIn, spanSeconds, type Score } from '../score';
import { quarterBpm, ticks, type Ticks } from '../units';
import { BREATH_WEIGHTS, breathPlaces, type BreathLine, type BreathPlace } from './breath-places';

export interface Breath {
  readonly afterNoteId: string;
  readonly bar: number;
  /** Where the breath falls: the end of the note before it. */
  readonly onset: Ticks;
  readonly reason: string;
  /** Printed in the source, and kept. */
  readonly printed: boolean;
  /** Between notes with no rest: a quick one, for which the note before is cut a little. */
  readonly catch: boolean;
  /** Seconds that the beat waits for it; none in a rest, and none where the metronome wins. */
  readonly waitsSeconds: number;
  /** How much dearer the plan is without this place, in the costs of places: no probability. */
  readonly margin: number;
}

export interface BreathSpan {
  readonly from: Ticks;
  readonly to: Ticks;
  readonly fromBar: number;
  readonly toBar: number;
  readonly seconds: number;
  /** Where time is free: the least and the most it may take. */
  readonly range: readonly [number, number] | null;
}

export interface BreathPlan {
  readonly breaths: readonly Breath[];
  readonly spans: readonly BreathSpan[];
  readonly warnings: readonly {
    readonly code: 'too-long';
    readonly fromBar: number;
    readonly toBar: number;
    readonly seconds: number;
    /** The tempo at which it fits a breath; null where that is past what the music bears. */
    readonly tempo: number | null;
    readonly message: string;
  }[];
  /** Sum of the costs of the places and the spans: what the plan makes least after the number of breaths. */
  readonly cost: number;
}

const PER_BREATH = 100;
/** An awkward place is taken only where it saves more than so much: two breaths in good ones come before it. */
const AWKWARD = 250;

/** What a breath at a place costs the plan: the number of breaths first, then how good their places are. */
const placeCost = (place: BreathPlace): number =>
  place.cost + (place.rest || place.printed ? 0 : PER_BREATH) + (place.awkward ? AWKWARD : 0);

/** How long the beat waits for a full and for a quick breath, seconds **[from memory]**. */
const WAITS = { full: 0.5, quick: 0.25 } as const;

export interface BreathOptions {
  /** The metronome wins: a breath outside a rest is taken off the note before it, and the beat waits for none. */
  readonly strictTime?: boolean;
  /** Where phrases end, in ticks: the best places. */
  readonly phraseEnds?: readonly number[];
}

/** A breath at a place: how full it is, and what it does to the time. */
function breathAt(place: BreathPlace, ticksPerQuarter: number, strictTime: boolean, margin: number): Breath {
  const quick = !place.rest && (strictTime || place.end - place.note.onset < ticksPerQuarter * 2);
  const waitsSeconds = place.rest || strictTime ? 0 : quick ? WAITS.quick : WAITS.full;
  const time =
    place.rest || place.printed
      ? ''
      : strictTime
        ? ', in time: the note before it is cut'
        : `, the beat waits about ${waitsSeconds} s`;
  return {
    afterNoteId: place.note.id,
    bar: place.note.bar,
    onset: ticks(place.end),
    reason: `${place.reason}${time}`,
    printed: place.printed,
    catch: quick,
    waitsSeconds,
    margin,
  };
}

/** How much dearer the cheapest other place near one is; the places around it are those within four of it. */
function marginOf(places: readonly BreathPlace[], k: number): number {
  const mine = places[k];
  if (!mine) return 0;
  const near = places.filter((_, i) => i !== k && Math.abs(i - k) <= 4);
  const next = near.reduce((least, p) => Math.min(least, p.cost), Infinity);
  return Number.isFinite(next) ? Math.round((next - mine.cost) * 100) / 100 : BREATH_WEIGHTS.inBar;
}

/** So much faster than marked a piece can be taken; past that a breath has to be found otherwise. */
const BEARABLE = 1.3;

/** What helps in a span with no place to breathe: a slur to break, a long note to breathe after, a partner. */
function otherHelp(score: Score, line: BreathLine, s: BreathSpan): string {
  const name = (b: number): string => score.bars[b]?.name ?? String(b + 1);
  const inside = line.notes.filter((n) => n.note.onset >= s.from && n.end < s.to);
  const middle = (s.from + s.to) / 2;
  const barEnd = ({ note, end }: BreathLine['notes'][number]): boolean => {
    const bar = score.bars[note.bar];
    return bar !== undefined && bar.onset + bar.length === end;
  };
  const nearest = (notes: BreathLine['notes']): BreathLine['notes'][number] | undefined =>
    [...notes].sort((a, b) => Math.abs(a.end - middle) - Math.abs(b.end - middle))[0];
  const slurred = nearest(inside.filter((n) => line.slurred.has(n.note.id) && barEnd(n)));
  if (slurred) return `break the slur after bar ${name(slurred.note.bar)}`;
  const long = inside.filter((n) => n.end - n.note.onset >= score.ticksPerQuarter * 1.5);
  const held = nearest(long);
  if (held) return `take a catch breath after the long note in bar ${name(held.note.bar)}`;
  return 'take turns with a partner, or leave a note out to breathe';
}

/** What is said of a span that is longer than a breath, with the tempo at which it is not or what else helps. */
function tooLong(
  score: Score,
  line: BreathLine,
  s: BreathSpan,
  tempo: number,
  spanInSeconds: number,
): BreathPlan['warnings'][number] {
  const needed = Math.ceil((tempo * s.seconds) / spanInSeconds);
  const name = (b: number): string => score.bars[b]?.name ?? String(b + 1);
  const bars = s.fromBar === s.toBar ? `bar ${name(s.fromBar)} takes` : `bars ${name(s.fromBar)}–${name(s.toBar)} take`;
  const head = `${bars} ${s.seconds.toFixed(1)} s at ${Math.round(tempo)} and ${s.fromBar === s.toBar ? 'has' : 'have'} no place to breathe`;
  const bearable = needed <= tempo * BEARABLE;
  return {
    code: 'too-long',
    fromBar: s.fromBar,
    toBar: s.toBar,
    seconds: s.seconds,
    tempo: bearable ? needed : null,
    message: bearable
      ? `${head}; at ${needed} they take ${((s.seconds * tempo) / needed).toFixed(1)} s`
      : `${head}: ${otherHelp(score, line, s)}`,
  };
}

/**
 * The fewest, best-placed breaths so that no span takes longer than `spanInSeconds`: a dynamic programme over the
 * places, counting breaths first, then places and evenness. Breaths in rests are free and always taken. Where no place
 * can save a passage, it is left too long and said, with the tempo that would.
 *
 * @example placeBreaths(score, 80, 8).spans.map((s) => s.seconds) // → [6, 6, 6, 6]
 */
export function placeBreaths(
  score: Score,
  tempo: number,
  spanInSeconds: number,
  { strictTime = false, phraseEnds = [] }: BreathOptions = {},
): BreathPlan {
  const line = breathPlaces(score, phraseEnds);
  const { notes, places } = line;
  const first = notes[0];
  const last = notes[notes.length - 1];
  if (!first || !last) return { breaths: [], spans: [], warnings: [], cost: 0 };
  const bpm = quarterBpm(tempo);
  const time = (from: number, to: number): number => spanSeconds(score, ticks(from), ticks(to), bpm);
  // Nodes: the beginning, every place, the end. A span runs from the first note after one to the end of the note before
  // the next.
  const startAfter = (k: number): number =>
    k < 0 ? first.note.onset : (notes[(places[k]?.after ?? 0) + 1]?.note.onset ?? 0);
  const endAt = (k: number): number => (k >= places.length ? last.end : (places[k]?.end ?? 0));
  const spanCost = (seconds: number): number =>
    BREATH_WEIGHTS.uneven * (seconds / spanInSeconds) ** 2 +
    (seconds > spanInSeconds + 1e-9 ? 1e6 * (seconds - spanInSeconds) : 0);
  const best: number[] = [];
  const back: number[] = [];
  for (let k = 0; k <= places.length; k += 1) {
    let value = Infinity;
    let from = -1;
    for (let j = k - 1; j >= -1; j -= 1) {
      const seconds = time(startAfter(j), endAt(k));
      const before = j < 0 ? 0 : (best[j] ?? Infinity);
      const cost = before + spanCost(seconds);
      if (cost < value - 1e-12) {
        value = cost;
        from = j;
      }
      // A rest or a printed breath is never passed over; a span only grows from here on.
      const place = places[j];
      if (place && (place.rest || place.printed)) break;
      if (seconds > spanInSeconds * 3 && value < Infinity) break;
    }
    const place = places[k];
    best[k] = value + (place ? placeCost(place) : 0);
    back[k] = from;
  }
  const chosen: number[] = [];
  for (let k = back[places.length] ?? -1; k >= 0; k = back[k] ?? -1) chosen.unshift(k);
  const breaths = chosen.flatMap((k) => {
    const place = places[k];
    return place ? [breathAt(place, score.ticksPerQuarter, strictTime, marginOf(places, k))] : [];
  });
  const barOf = (at: number): number => {
    const found = score.bars.findIndex((b) => at < b.onset + b.length);
    return found < 0 ? score.bars.length - 1 : found;
  };
  const edges = [-1, ...chosen, places.length];
  const spans = edges.slice(1).map((k, i): BreathSpan => {
    const from = startAfter(edges[i] ?? -1);
    const to = endAt(k);
    const seconds = time(from, to);
    const free = freeTimeIn(score, barOf(from), barOf(to - 1)) !== null;
    return {
      from: ticks(from),
      to: ticks(to),
      fromBar: barOf(from),
      toBar: barOf(to - 1),
      seconds,
      range: free ? [seconds / (1 + FREE_BEND), seconds / (1 - FREE_BEND)] : null,
    };
  });
  const warnings = spans.flatMap((s) =>
    s.seconds > spanInSeconds + 1e-9 ? [tooLong(score, line, s, tempo, spanInSeconds)] : [],
  );
  return { breaths, spans, warnings, cost: best[places.length] ?? 0 };
}
