import type { Repeat } from '../sameness';
import { beatOnsets, lastWhere, pickupLength, struckNotes, type Bar, type Note, type Score } from '../score';
import { texturesOf, type Texture } from './texture';

/** The highest note of an onset, with its sounding end. */
export interface MelodyEvent {
  readonly onset: number;
  readonly end: number;
  readonly bar: number;
}

/** The staff whose phrases are heard: the top one with notes of the first part that has any. */
function tuneStaff(score: Score): { readonly part: string; readonly staff: number } {
  const first = score.parts.find((p) => score.notes.some((n) => n.part === p.id));
  const staff = Math.min(...score.notes.filter((n) => n.part === first?.id).map((n) => n.staff));
  return { part: first?.id ?? '', staff: Number.isFinite(staff) ? staff : 1 };
}

/** The highest notes of that staff with their sounding ends. */
function melodyOf(score: Score, tune: { readonly part: string; readonly staff: number }): MelodyEvent[] {
  const tops = new Map<number, MelodyEvent>();
  for (const { note, sounding } of struckNotes(score.notes)) {
    if (note.part !== tune.part || note.staff !== tune.staff || note.grace) continue;
    const end = note.onset + sounding;
    const there = tops.get(note.onset);
    if (!there || end > there.end) tops.set(note.onset, { onset: note.onset, end, bar: note.bar });
  }
  return [...tops.values()].sort((a, b) => a.onset - b.onset);
}

function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.floor(sorted.length / 2)] ?? 0;
}

/** Index of the last event that begins before `at`; -1 for none. Events in order of onset. */
export const lastBefore = (melody: readonly MelodyEvent[], at: number): number =>
  lastWhere(melody, (event) => event.onset < at);

/** What a range of bars that comes again says of a bar: how long it lasts, weighed, and in words. */
export interface Return {
  readonly length: number;
  readonly text: string;
}

/** Bars where something begins or ends that comes again; the longest counts. */
function returnsOf(
  score: Score,
  tune: { readonly part: string; readonly staff: number },
  repeats: readonly Repeat[],
): ReadonlyMap<number, Return> {
  const returns = new Map<number, Return>();
  const note = (bar: number, length: number, text: string): void => {
    const there = returns.get(bar);
    if (!there || there.length < length) returns.set(bar, { length, text });
  };
  for (const r of repeats) {
    const length = r.a[1] - r.a[0] + 1;
    // What only an accompanying staff repeats cuts no phrase.
    if (r.part !== null && (r.part !== tune.part || r.staff !== tune.staff)) continue;
    if (r.kind === 'rhythm' || (r.kind === 'sequence' && length < 2)) continue;
    const weight = (r.kind === 'moved' || r.kind === 'sequence' ? 0.5 : r.kind === 'changed' ? 0.7 : 1) * length;
    if (weight < 2 && length < 2) continue;
    const name = `bars ${score.bars[r.a[0]]?.name ?? ''}–${score.bars[r.a[1]]?.name ?? ''}`;
    note(r.b[0], weight, `${name} come again`);
    note(r.a[0], Math.min(4, weight) * 0.5, `comes again at bar ${score.bars[r.b[0]]?.name ?? ''}`);
    note(r.b[1] + 1, Math.min(8, weight) * 0.4, 'the return ends');
    note(r.a[1] + 1, Math.min(8, weight) * 0.4, 'new after what comes again');
  }
  return returns;
}

/** What the cues look at, found once a piece. Times in ticks. */
export interface Phrasing {
  readonly score: Score;
  /** The tune, in order of onset. */
  readonly melody: readonly MelodyEvent[];
  readonly onsets: ReadonlySet<number>;
  readonly notesAt: ReadonlyMap<number, readonly Note[]>;
  /** The usual length of a note of the tune. */
  readonly typical: number;
  /** The usual length of the longest note of a bar. */
  readonly longest: number;
  readonly beat: number;
  readonly pickup: number;
  readonly textures: readonly Texture[];
  /** Printed dynamic levels, in order of onset. */
  readonly levels: readonly { readonly onset: number; readonly level: string }[];
  readonly returns: ReadonlyMap<number, Return>;
}

function beatLength(bar: Bar | undefined, ticksPerQuarter: number): number {
  if (!bar) return ticksPerQuarter;
  const beats = beatOnsets(bar, ticksPerQuarter);
  return (beats[1]?.at ?? bar.length) - (beats[0]?.at ?? 0);
}

/** The longest note of the tune that begins in each bar that has one. */
function longestByBar(melody: readonly MelodyEvent[]): readonly number[] {
  const longest = new Map<number, number>();
  for (const { bar, onset, end } of melody) longest.set(bar, Math.max(longest.get(bar) ?? 0, end - onset));
  return [...longest.values()];
}

/** Everything the cues look at; `repeats` of all lines. */
export function phrasingOf(score: Score, repeats: readonly Repeat[]): Phrasing {
  const tune = tuneStaff(score);
  const melody = melodyOf(score, tune);
  const pickup = pickupLength(score);
  const notesAt = new Map<number, Note[]>();
  for (const n of score.notes) {
    const there = notesAt.get(n.onset);
    if (there) there.push(n);
    else notesAt.set(n.onset, [n]);
  }
  return {
    score,
    melody,
    onsets: new Set(melody.map((m) => m.onset)),
    notesAt,
    typical: median(melody.map((m) => m.end - m.onset)),
    longest: median(longestByBar(melody)),
    beat: beatLength(score.bars[pickup > 0 ? 1 : 0], score.ticksPerQuarter),
    pickup,
    textures: texturesOf(score),
    levels: score.directions.flatMap((d) =>
      d.kind === 'dynamic' ? [{ onset: d.onset as number, level: d.level }] : [],
    ),
    returns: returnsOf(score, tune, repeats),
  };
}
