import type { WindChart, WindFingering, WindKeys } from '../../instruments';
import { keyAlter, spanSeconds, STEPS, struckNotes, writtenMidi, type Note, type Score } from '../../score';
import { ticks } from '../../units';
import { withoutRefused, type Refused } from '../refused';
import type { FingeredNote, Fingering, FingeringWarning } from '../types';
import { runnerUp, type Answer } from '../runner-up';
import { cheapestPath, leastThrough } from '../strings';

export interface WindRequest {
  /** Note id → keys the teacher set, as shown. */
  readonly locks: ReadonlyMap<string, string>;
  /** Note id → keys the teacher does not want. */
  readonly refused?: Refused;
  readonly from?: number;
  readonly to?: number;
  readonly margins: boolean;
}

/** Costs, chosen by us. */
export const WIND_WEIGHTS = {
  /** A key that goes down or up. */
  change: 0.12,
  /** One little finger from key to key. */
  slide: 3,
  /** An alternate, and an alternate on a long note where tone counts. */
  alternate: 0.5,
  alternateLong: 1.2,
  /** Going to an alternate and back on one pitch. */
  flip: 0.8,
  /** Slide arm, a position, a second. */
  arm: 0.18,
} as const;

interface WindNote {
  readonly note: Note;
  readonly ways: readonly WindFingering[];
  readonly seconds: number;
  /** Seconds that it sounds. */
  readonly length: number;
  /** Forte or louder is printed over it. */
  readonly loud: boolean;
}

const LOUD = new Set(['f', 'ff', 'fff', 'ffff', 'sf', 'sfz', 'fz']);

/** Whether a part is loud from each printed level on, by onset. */
function loudFrom(score: Score, part: string): (onset: number) => boolean {
  const levels = score.directions.flatMap((d) =>
    d.kind === 'dynamic' && d.part === part ? [{ onset: d.onset as number, loud: LOUD.has(d.level) }] : [],
  );
  return (onset) => levels.findLast((l) => l.onset <= onset)?.loud ?? false;
}

function keyOf(note: Note, instrument: WindKeys): number {
  if (instrument.counts === 'sounding' || !note.pitch) return note.midi ?? 60;
  return writtenMidi(note.pitch);
}

const order = (chart: WindChart): number => Math.min(...chart.notes.keys());
const highest = (chart: WindChart): number => Math.max(...chart.notes.keys());

/**
 * Recorder and guitar-like notation an octave down without saying so: the whole part is moved by octaves into the
 * chart.
 */
function octaveShift(notes: readonly Note[], instrument: WindKeys): number {
  const keys = notes.map((n) => keyOf(n, instrument));
  const fits = (shift: number): number => keys.filter((k) => instrument.chart.notes.has(k + shift)).length;
  if (fits(0) * 2 >= keys.length) return 0;
  return [0, 12, -12, 24].reduce((best, shift) => (fits(shift) > fits(best) ? shift : best), 0);
}

function own(way: WindFingering, { ways, length, loud }: WindNote): number {
  const at = ways.indexOf(way);
  // On a long, loud note tone counts: the better way first, whatever is handier.
  if (length > 1 && loud && ways.some((w) => w.better))
    return way.better ? 0 : WIND_WEIGHTS.alternateLong + WIND_WEIGHTS.alternate * at;
  return at <= 0 ? 0 : WIND_WEIGHTS.alternate * at + (length > 1 ? WIND_WEIGHTS.alternateLong : 0);
}

function step(a: WindFingering, b: WindFingering, seconds: number): number {
  const w = WIND_WEIGHTS;
  let cost = 0;
  const down = new Set(a.hands);
  const after = new Set(b.hands);
  for (const k of after) if (!down.has(k)) cost += w.change;
  for (const k of down) if (!after.has(k)) cost += w.change;
  if (a.leftLittle !== undefined && b.leftLittle !== undefined && a.leftLittle !== b.leftLittle) cost += w.slide;
  if (a.rightLittle !== undefined && b.rightLittle !== undefined && a.rightLittle !== b.rightLittle) cost += w.slide;
  if (a.slide !== undefined && b.slide !== undefined)
    cost += (w.arm * Math.abs(a.slide - b.slide)) / Math.max(0.12, Math.min(1, seconds));
  return cost;
}

/** The pair of fingerings for a trill to the note above with the fewest keys to move: `T 123 ↔ T 12`. */
function trillWith(
  score: Score,
  note: Note,
  way: WindFingering,
  ways: readonly WindFingering[],
  instrument: WindKeys,
  shift: number,
): string | null {
  const bar = score.bars[note.bar];
  if (!note.pitch || !bar) return null;
  const at = STEPS.indexOf(note.pitch.step) + 1;
  const upper = STEPS[at % 7] ?? 'C';
  const pitch = { step: upper, alter: keyAlter(bar.key, upper), octave: note.pitch.octave + (at > 6 ? 1 : 0) };
  const key = keyOf(note, instrument) + shift + writtenMidi(pitch) - writtenMidi(note.pitch);
  const above = instrument.chart.notes.get(key) ?? [];
  const pairs = [way, ...ways].flatMap((a) => above.map((b) => ({ a, b, cost: step(a, b, 0.1) })));
  const best = pairs.reduce<(typeof pairs)[number] | null>(
    (m, p) => (m === null || p.cost < m.cost - 1e-9 ? p : m),
    null,
  );
  return best ? `${best.a.keys} ↔ ${best.b.keys}` : null;
}

/** Why a fingering was taken among those of its note. */
function reasonFor(way: WindFingering, all: readonly WindFingering[], before: WindFingering | undefined): string {
  if (all[0]?.keys === way.keys) return 'main fingering';
  if (way.better) return 'alternate: the better tone on a long, loud note';
  const takeTurns = before && ((before.leftLittle && way.rightLittle) || (before.rightLittle && way.leftLittle));
  return takeTurns
    ? 'alternate: the little fingers take turns instead of sliding'
    : 'alternate: fewer fingers move here';
}

/** Whether the teacher does not want a fingering here. */
const refusing =
  ({ refused }: WindRequest) =>
  (note: Note, { keys }: WindFingering): boolean =>
    refused?.get(note.id)?.includes(keys) ?? false;

/** Keys, valves or slide position for every note of a wind part, with the alternates of each note. */
export function fingerWind(score: Score, instrument: WindKeys, request: WindRequest): Fingering {
  const part = score.parts.find((p) => score.notes.some((n) => n.part === p.id && n.midi !== null));
  const struck = struckNotes(score.notes).filter(
    (s) => s.note.part === part?.id && s.note.midi !== null && !s.note.chord,
  );
  const shift = octaveShift(
    struck.map((s) => s.note),
    instrument,
  );
  const warnings: FingeringWarning[] = [];
  const isLoud = loudFrom(score, part?.id ?? '');
  const notes: WindNote[] = [];
  let before: Note | null = null;
  for (const { note, sounding } of struck) {
    const key = keyOf(note, instrument) + shift;
    const ways = withoutRefused(instrument.chart.notes.get(key) ?? [], (w) => refusing(request)(note, w));
    const seconds = before ? spanSeconds(score, before.onset, note.onset) : 1;
    before = note;
    if (ways.length === 0) {
      const low = key < order(instrument.chart);
      warnings.push({
        code: 'out-of-range',
        bar: note.bar,
        noteIds: [note.id],
        message: `bar ${score.bars[note.bar]?.name ?? ''}: this note lies ${low ? 'below' : key > highest(instrument.chart) ? 'above' : 'outside'} the chart of the ${instrument.name}`,
      });
      continue;
    }
    const lock = request.locks.get(note.id);
    const locked = lock === undefined ? [] : ways.filter((w) => w.keys === lock);
    notes.push({
      note,
      ways: lock === undefined ? ways : locked.length > 0 ? locked : [{ keys: lock, hands: [...lock] }],
      seconds,
      length: spanSeconds(score, note.onset, ticks(note.onset + sounding)),
      loud: isLoud(note.onset),
    });
  }
  const ways = notes.map((n) => n.ways);
  const ownOf = (way: WindFingering, c: number): number => {
    const note = notes[c];
    return note ? own(way, note) : 0;
  };
  const stepTo = (a: WindFingering, b: WindFingering, c: number): number => {
    const before = notes[c - 1];
    const here = notes[c];
    if (before && here && keyOf(before.note, instrument) === keyOf(here.note, instrument))
      return a.keys === b.keys ? 0 : WIND_WEIGHTS.flip;
    return step(a, b, here?.seconds ?? 1);
  };
  const path = cheapestPath(ways, ownOf, stepTo);
  const through = request.margins ? leastThrough(ways, ownOf, stepTo) : [];
  const answersAt = (c: number): readonly Answer[] =>
    (ways[c] ?? []).map((way, k) => ({ text: way.keys, cost: through[c]?.[k] ?? Infinity }));
  const from = request.from ?? 0;
  const to = request.to ?? score.bars.length - 1;
  const out: FingeredNote[] = notes.flatMap((n, i): FingeredNote[] => {
    const way = n.ways[path.picks[i] ?? 0];
    if (!way || n.note.bar < from || n.note.bar > to) return [];
    const all = instrument.chart.notes.get(keyOf(n.note, instrument) + shift) ?? [];
    const locked = request.locks.has(n.note.id);
    const previous = i > 0 ? notes[i - 1]?.ways[path.picks[i - 1] ?? 0] : undefined;
    const trill = n.note.marks.ornaments.some((o) => o.kind === 'trill-mark')
      ? trillWith(score, n.note, way, all, instrument, shift)
      : null;
    return [
      {
        noteId: n.note.id,
        bar: n.note.bar,
        finger: way.slide === undefined ? '' : String(way.slide),
        keys: way.keys,
        alternates: all.filter((w) => w.keys !== way.keys).map((w) => w.keys),
        locked,
        ...(locked ? {} : runnerUp(way.keys, answersAt(i))),
        why: locked ? 'yours' : trill !== null ? `trill: ${trill}` : reasonFor(way, all, previous),
      },
    ];
  });
  return { notes: out, cost: path.cost, optimal: true, warnings };
}
