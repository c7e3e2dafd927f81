import { beatOnsets, FREE_BEND, freeTimeIn, spanSeconds, struckNotes, tieLinks, type Note, type Score } from '../score';
import { quarterBpm, ticks, type Ticks } from '../units';

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
    readonly tempo: number;
    readonly message: string;
  }[];
  /** Sum of the costs of the places and the spans: what the plan makes least after the number of breaths. */
  readonly cost: number;
}

/** What a place costs, chosen by us: less is better. A rest costs nothing. */
export const BREATH_WEIGHTS = {
  barLine: 1,
  longNote: 0.8,
  phraseEnd: 0.3,
  inBar: 2.6,
  afterShort: 1.5,
  /** A full breath before a long span: uneven spans cost their unevenness. */
  uneven: 0.6,
} as const;

interface Place {
  readonly note: Note;
  /** Index of the note after which it lies. */
  readonly after: number;
  readonly end: number;
  readonly cost: number;
  readonly reason: string;
  readonly rest: boolean;
  readonly printed: boolean;
}

interface Line {
  readonly notes: readonly { readonly note: Note; readonly end: number }[];
  readonly places: readonly Place[];
}

/** The wind line: the first part, its highest voice; grace notes belong to their note. */
function lineOf(score: Score): { readonly note: Note; readonly end: number }[] {
  const part = score.parts.find((p) => score.notes.some((n) => n.part === p.id && n.midi !== null));
  const tops = new Map<number, { note: Note; end: number }>();
  for (const { note, sounding } of struckNotes(score.notes)) {
    if (note.part !== part?.id || note.grace || note.midi === null) continue;
    const there = tops.get(note.onset);
    if (!there || (note.midi ?? 0) > (there.note.midi ?? 0)) tops.set(note.onset, { note, end: note.onset + sounding });
  }
  return [...tops.values()].sort((a, b) => a.note.onset - b.note.onset);
}

/** Notes under a slur that goes on: no breath may follow them. */
function insideSlur(score: Score, notes: readonly { readonly note: Note }[]): ReadonlySet<string> {
  const inside = new Set<string>();
  const slurred = new Map<string, Note[]>();
  for (const n of score.notes) {
    if (n.marks.slurs.length === 0) continue;
    const key = `${n.part} ${n.onset}`;
    const there = slurred.get(key);
    if (there) there.push(n);
    else slurred.set(key, [n]);
  }
  let open = 0;
  for (const { note } of notes) {
    for (const n of slurred.get(`${note.part} ${note.onset}`) ?? [])
      for (const s of n.marks.slurs) {
        if (s.role === 'stop') open = Math.max(0, open - 1);
        if (s.role === 'start') open += 1;
      }
    if (open > 0) inside.add(note.id);
  }
  return inside;
}

/** Where a breath may be: never inside a slur, a tied note or a run of quick notes; printed breaths always. */
export function breathPlaces(score: Score): Line {
  const notes = lineOf(score);
  const slurred = insideSlur(score, notes);
  const links = tieLinks(score.notes);
  const lengths = notes.map((n) => n.end - n.note.onset).sort((a, b) => a - b);
  const typical = lengths[Math.floor(lengths.length / 2)] ?? score.ticksPerQuarter;
  const w = BREATH_WEIGHTS;
  const places: Place[] = [];
  let barIndex = 0;
  notes.forEach(({ note, end }, after) => {
    const next = notes[after + 1];
    if (!next) return;
    const printed = note.marks.articulations.includes('breath-mark') || note.marks.articulations.includes('caesura');
    const rest = next.note.onset > end;
    const length = end - note.onset;
    while ((score.bars[barIndex + 1]?.onset ?? Infinity) <= end) barIndex += 1;
    const bar = score.bars[barIndex];
    const atBarLine = bar !== undefined && bar.onset === end;
    const following = next.end - next.note.onset;
    const onBeat = bar !== undefined && beatOnsets(bar, score.ticksPerQuarter).some((b) => bar.onset + b.at === end);
    if (!printed && !rest) {
      if (slurred.has(note.id) || links.has(note.id)) return;
      // A run: quick notes before and after, one step from the next.
      const run =
        length <= score.ticksPerQuarter / 2 &&
        following <= score.ticksPerQuarter / 2 &&
        Math.abs((next.note.midi ?? 0) - (note.midi ?? 0)) <= 2;
      if (run && !atBarLine) return;
      if (length < score.ticksPerQuarter / 2 && !atBarLine) return;
    }
    const reasons: string[] = [];
    let cost = rest || printed ? 0 : w.inBar;
    if (printed) reasons.push('printed');
    if (rest) reasons.push('rest');
    if (atBarLine && !rest && !printed) {
      cost = w.barLine;
      reasons.push('at the bar line');
    }
    if (length >= typical * 1.9 || length >= score.ticksPerQuarter * 2) {
      if (!rest && !printed) cost = Math.min(cost, w.inBar) * (atBarLine ? w.phraseEnd : w.longNote);
      reasons.push('after a long note');
    } else if (length < typical && !rest && !printed) cost += w.afterShort;
    if (note.marks.slurs.some((s) => s.role === 'stop')) {
      cost *= 0.7;
      reasons.push('end of a slur');
    }
    if (!onBeat && !rest && !printed) cost += 0.4;
    places.push({ note, after, end, cost, reason: reasons.join(', ') || 'between notes', rest, printed });
  });
  return { notes, places };
}

const PER_BREATH = 100;

/** How long the beat waits for a full and for a quick breath, seconds **[from memory]**. */
const WAITS = { full: 0.5, quick: 0.25 } as const;

export interface BreathOptions {
  /** The metronome wins: a breath outside a rest is taken off the note before it, and the beat waits for none. */
  readonly strictTime?: boolean;
}

/** A breath at a place: how full it is, and what it does to the time. */
function breathAt(place: Place, ticksPerQuarter: number, strictTime: boolean): Breath {
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
  };
}

/** What is said of a span that is longer than a breath, with the tempo at which it is not. */
function tooLong(score: Score, s: BreathSpan, tempo: number, spanInSeconds: number): BreathPlan['warnings'][number] {
  const needed = Math.ceil((tempo * s.seconds) / spanInSeconds);
  const name = (b: number): string => score.bars[b]?.name ?? String(b + 1);
  return {
    code: 'too-long',
    fromBar: s.fromBar,
    toBar: s.toBar,
    seconds: s.seconds,
    tempo: needed,
    message: `bars ${name(s.fromBar)}–${name(s.toBar)} take ${s.seconds.toFixed(1)} s at ${Math.round(tempo)} and have no place to breathe; at ${needed} they take ${((s.seconds * tempo) / needed).toFixed(1)} s`,
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
  { strictTime = false }: BreathOptions = {},
): BreathPlan {
  const { notes, places } = breathPlaces(score);
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
    best[k] = value + (place ? place.cost + (place.rest || place.printed ? 0 : PER_BREATH) : 0);
    back[k] = from;
  }
  const chosen: number[] = [];
  for (let k = back[places.length] ?? -1; k >= 0; k = back[k] ?? -1) chosen.unshift(k);
  const breaths = chosen.flatMap((k) => {
    const place = places[k];
    return place ? [breathAt(place, score.ticksPerQuarter, strictTime)] : [];
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
    s.seconds > spanInSeconds + 1e-9 ? [tooLong(score, s, tempo, spanInSeconds)] : [],
  );
  return { breaths, spans, warnings, cost: best[places.length] ?? 0 };
}
