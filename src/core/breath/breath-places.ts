import { beatOnsets, isBlankBetween, pickupLength, struckNotes, type Note, type Score } from '../score';
import { insideSlurs } from './inside-slurs';

/** What a place costs, chosen by us: less is better. A rest costs nothing. */
export const BREATH_WEIGHTS = {
  /** The end of a phrase, before its upbeat if it has one. */
  phraseEnd: 0.3,
  /** A bar line, or where the upbeats of a piece that begins with one fall. */
  barLine: 1,
  longNote: 0.8,
  inBar: 2.6,
  /** Between an upbeat and its downbeat. */
  splitsUpbeat: 4,
  afterShort: 1.5,
  offBeat: 0.4,
  /** What is left of a cost at the end of a slur. */
  slurEnd: 0.7,
  /** A full breath before a long span: uneven spans cost their unevenness. */
  uneven: 0.6,
} as const;

/** A note of the line with its sounding end, in ticks. */
export interface LineNote {
  readonly note: Note;
  readonly end: number;
}

/** A place between two notes where a breath may be. */
export interface BreathPlace {
  readonly note: Note;
  /** Index of the note after which it lies. */
  readonly after: number;
  readonly end: number;
  readonly cost: number;
  readonly reason: string;
  readonly rest: boolean;
  readonly printed: boolean;
  /** Where nobody breathes who need not: in the middle of things, or between an upbeat and its downbeat. */
  readonly awkward: boolean;
}

export interface BreathLine {
  readonly notes: readonly LineNote[];
  readonly places: readonly BreathPlace[];
  /** Where no breath may be because a slur goes on: by note id, the bar in which the slur begins. */
  readonly slurred: ReadonlyMap<string, number>;
}

/** The line that is blown or sung: the first part, its highest voice; grace notes belong to their note. */
function lineOf(score: Score): LineNote[] {
  const part = score.parts.find((p) => score.notes.some((n) => n.part === p.id && n.midi !== null));
  const tops = new Map<number, LineNote>();
  for (const { note, sounding } of struckNotes(score.notes)) {
    if (note.part !== part?.id || note.grace || note.midi === null) continue;
    const there = tops.get(note.onset);
    if (!there || note.midi > (there.note.midi ?? 0)) tops.set(note.onset, { note, end: note.onset + sounding });
  }
  return [...tops.values()].sort((a, b) => a.note.onset - b.note.onset);
}

/** What is looked at between a note and the next. */
interface Between {
  readonly note: Note;
  readonly end: number;
  readonly next: LineNote;
  readonly ticksPerQuarter: number;
}

/** A run: quick notes before and after, one step from the next. A bar line does not end it. */
function isRun({ note, end, next, ticksPerQuarter }: Between): boolean {
  const quick = ticksPerQuarter / 2;
  return (
    end - note.onset <= quick &&
    next.end - next.note.onset <= quick &&
    Math.abs((next.note.midi ?? 0) - (note.midi ?? 0)) <= 2
  );
}

/**
 * Where a breath may be: never inside a slur or a run of quick notes, after a tied note where its tie ends; rests and
 * printed breaths always. `phraseEnds` in ticks are the best places; in a piece with an upbeat they and the bars' own
 * upbeats come before the bar lines.
 */
export function breathPlaces(score: Score, phraseEnds: readonly number[] = []): BreathLine {
  const notes = lineOf(score);
  const ends = new Set(phraseEnds);
  const slurred = insideSlurs(score, notes, ends);
  const lengths = notes.map((n) => n.end - n.note.onset).sort((a, b) => a - b);
  const typical = lengths[Math.floor(lengths.length / 2)] ?? score.ticksPerQuarter;
  const pickup = pickupLength(score);
  // A piece that begins with an upbeat breathes before the upbeats, as long before each bar line.
  const upbeats = new Set(pickup > 0 ? score.bars.slice(1).map((b) => b.onset - pickup) : []);
  const w = BREATH_WEIGHTS;
  const places: BreathPlace[] = [];
  let barIndex = 0;
  notes.forEach(({ note, end }, after) => {
    const next = notes[after + 1];
    if (!next) return;
    const printed = note.marks.articulations.includes('breath-mark') || note.marks.articulations.includes('caesura');
    const rest = next.note.onset > end;
    const length = end - note.onset;
    while ((score.bars[barIndex + 1]?.onset ?? Infinity) <= end) barIndex += 1;
    const bar = score.bars[barIndex];
    const atBarLine = bar?.onset === end;
    const atUpbeat = upbeats.has(end);
    const endsPhrase = ends.has(end) || ends.has(next.note.onset);
    if (!printed && !rest) {
      if (slurred.has(note.id)) return;
      if (isRun({ note, end, next, ticksPerQuarter: score.ticksPerQuarter }) && !endsPhrase) return;
      if (length < score.ticksPerQuarter / 2 && !atBarLine && !atUpbeat && !endsPhrase) return;
    }
    const free = rest || printed;
    const reasons: string[] = [];
    // The notes from the upbeat to the bar line belong to what follows.
    const line = atBarLine ? end : (score.bars[barIndex + 1]?.onset ?? Infinity);
    const splits = line - end < pickup;
    let cost = free ? 0 : splits && !endsPhrase ? w.splitsUpbeat : w.inBar;
    if (printed) reasons.push('printed');
    if (rest) reasons.push(isBlankBetween(score.bars, end, next.note.onset) ? 'then nothing is written' : 'rest');
    if (endsPhrase) {
      reasons.push('end of the phrase');
      if (!free) cost = w.phraseEnd;
    } else if (!free && atUpbeat) {
      cost = w.barLine;
      reasons.push('before the upbeat');
    } else if (!free && atBarLine && !splits) {
      cost = w.barLine;
      reasons.push('at the bar line');
    }
    if (length >= typical * 1.9 || length >= score.ticksPerQuarter * 2) {
      cost *= free ? 1 : w.longNote;
      reasons.push('after a long note');
    } else if (length < typical && !free && !endsPhrase) cost += w.afterShort;
    if (note.marks.slurs.some((s) => s.role === 'stop')) {
      cost *= w.slurEnd;
      reasons.push('end of a slur');
    }
    const awkward = !free && !endsPhrase && (splits || reasons.length === 0);
    const onBeat = bar !== undefined && beatOnsets(bar, score.ticksPerQuarter).some((b) => bar.onset + b.at === end);
    if (!onBeat && !free && !atUpbeat && !endsPhrase) cost += w.offBeat;
    places.push({ note, after, end, cost, reason: reasons.join(', ') || 'between notes', rest, printed, awkward });
  });
  return { notes, places, slurred };
}
