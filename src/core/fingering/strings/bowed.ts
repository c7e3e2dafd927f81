import type { Score } from '../../score';
import type { FingeredNote, Fingering, FingeringWarning } from '../types';
import { stopsOf, type BowedRequest, type HandShape, type Stop } from './bowed-stops';
import { stringColumns, type StringColumn } from './columns';
import type { BowedStrings } from '../../instruments';
import { cheapestPath, leastThrough } from './lattice';
import { runnerUp, type Answer } from '../runner-up';

/** One or two notes at once, and how the hand lies. */
interface Place {
  readonly stops: readonly Stop[];
  readonly position: number | null;
  readonly base: number | null;
  readonly hand: HandShape;
}

/** Costs, chosen by us. */
export const BOWED_WEIGHTS = {
  shift: 3,
  shiftSemitone: 0.35,
  shiftByOpen: 0.4,
  /** A shift up a scale that does not land on the first finger, and one down that does not leave from it. */
  shiftOffFirst: 1.5,
  crossing: 0.5,
  skippedString: 1.2,
  highPosition: 0.45,
  halfPosition: 0.4,
  /** Opening the hand, closing it, and each note that is reached while it is open. */
  opening: 0.6,
  closing: 0.1,
  /** The first finger follows the others up, which are held in an open hand: dearer than to stay in it for a note. */
  comingUp: 0.8,
  extension: 0.3,
  /** Two fingers besides the first a whole tone apart. */
  cannot: 20,
  /** A violinist’s finger that lies a semitone past its place. */
  reach: 1.6,
  fourth: 0.35,
  /** An open string where the hand lies at the nut, where it lies higher, and where the fourth finger is asked for. */
  openAtNut: -1,
  openHigher: 0.5,
  openUnasked: 0.7,
  sameFingerFifth: 0.8,
  sameFingerOther: 2,
  doubleStopFourth: 0.6,
} as const;

/** Places for one or two notes at once; more than two are taken as the top two (the rest are rolled). */
function placesOf(column: StringColumn, instrument: BowedStrings, request: BowedRequest): Place[] {
  const notes = column.notes.slice(-2);
  const single = (s: Stop): Place => ({ stops: [s], position: s.position, base: s.base, hand: s.hand });
  const [low, high] = notes;
  if (!low) return [];
  const lows = stopsOf(low, instrument, request);
  if (!high) return lows.map(single);
  const highs = stopsOf(high, instrument, request);
  const pairs = lows.flatMap((a) =>
    highs.flatMap((b): Place[] => {
      if (a.string - b.string !== 1) return [];
      if (a.base !== null && b.base !== null && (Math.abs(a.base - b.base) > 1 || a.hand !== b.hand)) return [];
      if (a.finger !== 0 && a.finger === b.finger && (a.base ?? 0) !== (b.base ?? 0)) return [];
      return [
        {
          stops: [a, b],
          position: b.position ?? a.position,
          base: b.base ?? a.base,
          hand: b.base === null ? a.hand : b.hand,
        },
      ];
    }),
  );
  return pairs.length > 0 ? pairs : highs.map(single);
}

/** A note on the way up: the next one is higher, so that the open string is not come back to. */
const goesUp = (column: StringColumn, next: StringColumn | undefined): boolean =>
  next !== undefined && (next.notes[0]?.midi ?? 0) > (column.notes[0]?.midi ?? 0);

function openCost(place: Place, column: StringColumn, next: StringColumn | undefined, request: BowedRequest): number {
  const w = BOWED_WEIGHTS;
  if ((place.position ?? 1) > 1) return w.openHigher;
  return request.openOrFourth === 'fourth' && !goesUp(column, next) ? w.openUnasked : w.openAtNut;
}

function ownCost(
  place: Place,
  column: StringColumn,
  next: StringColumn | undefined,
  request: BowedRequest,
  frame: BowedStrings['frame'],
): number {
  const w = BOWED_WEIGHTS;
  let cost = 0;
  for (const s of place.stops) {
    if (s.finger === 0) cost += openCost(place, column, next, request);
    // The bass has no third finger to prefer to the fourth.
    if (s.finger === 4 && frame !== 'simandl') cost += w.fourth;
    if (s.extended) cost += frame === 'diatonic' ? w.reach : w.extension;
    if (s.position === 0) cost += w.halfPosition;
    if (s.position !== null && s.position > 1) cost += w.highPosition * (s.position - 1);
  }
  if (place.stops.length === 2 && place.stops.some((s) => s.finger === 4)) cost += w.doubleStopFourth;
  return cost;
}

/** How the hand comes from one place to the next. */
type HandMove = 'stays' | 'opens' | 'closes' | 'comes up' | 'shifts' | 'cannot';
function handMove(a: Place, b: Place): HandMove {
  if (a.base === null || b.base === null) return 'stays';
  if (a.base === b.base && a.hand === b.hand) return 'stays';
  const from = a.stops[a.stops.length - 1]?.finger ?? 0;
  const to = b.stops[b.stops.length - 1]?.finger ?? 0;
  // Only the first finger moves against the others: two others never lie a whole tone apart.
  if (a.base === b.base) return from > 1 && to > 1 ? 'cannot' : b.hand === 'extended' ? 'opens' : 'closes';
  // The first finger reaches back, or comes up to the others; what it holds itself is still of the open hand.
  if (a.hand === 'closed' && b.hand === 'extended' && b.base === a.base - 1) return 'opens';
  if (a.hand === 'extended' && b.hand === 'closed' && b.base === a.base + 1 && from !== 1) return 'comes up';
  return 'shifts';
}

/** A second, a third of the scale: what a line in steps is made of. */
const STEP_SEMITONES = 2;

function shiftCost(a: Place, b: Place, from: Stop, to: Stop, column: StringColumn): number {
  const w = BOWED_WEIGHTS;
  const interval = (to.note.midi ?? 0) - (from.note.midi ?? 0);
  const inSteps = from.finger !== 0 && to.finger !== 0 && interval !== 0 && Math.abs(interval) <= STEP_SEMITONES;
  const off = inSteps && (interval > 0 ? to.finger !== 1 : from.finger !== 1) ? w.shiftOffFirst : 0;
  const far = w.shift + w.shiftSemitone * Math.abs((a.base ?? 0) - (b.base ?? 0));
  return (far + off) * (column.afterRest || from.finger === 0 ? w.shiftByOpen : 1);
}

/** The place the hand was in carries over open strings: a path keeps the last stopped base in its places. */
function stepCost(a: Place, b: Place, column: StringColumn): number {
  const w = BOWED_WEIGHTS;
  const from = a.stops[a.stops.length - 1];
  const to = b.stops[b.stops.length - 1];
  if (!from || !to) return 0;
  const strings = Math.abs(from.string - to.string);
  let cost = w.crossing * strings + w.skippedString * Math.max(0, strings - 1);
  switch (handMove(a, b)) {
    case 'stays':
      break;
    case 'opens':
      cost += w.opening;
      break;
    case 'closes':
      cost += w.closing;
      break;
    case 'comes up':
      cost += w.comingUp;
      break;
    case 'cannot':
      cost += w.cannot;
      break;
    case 'shifts':
      cost += shiftCost(a, b, from, to, column);
      break;
  }
  if (from.finger !== 0 && from.finger === to.finger && from.note.midi !== to.note.midi)
    cost += strings === 1 && a.base === b.base && a.hand === b.hand ? w.sameFingerFifth : w.sameFingerOther;
  return cost * (column.afterRest ? 0.6 : 1);
}

const ORDINALS = ['half', 'first', 'second', 'third', 'fourth', 'fifth', 'sixth', 'seventh', 'eighth'];
const positionName = (position: number, raised = false): string =>
  `${raised ? 'raised ' : ''}${ORDINALS[Math.floor(position)] ?? `${position}th`}${Number.isInteger(position) ? '' : ' and a half'} position`;

/** Why a stop was taken; `shifts` where the hand moves for it, `crossed` where the string changes. */
function reasonFor(stop: Stop, shifts: boolean, crossed: boolean): string {
  if (stop.finger === 0) return 'open string';
  const position = positionName(stop.position ?? 1, stop.raised);
  if (shifts) return `shift to ${position}`;
  if (stop.extended) return 'reached by an extension';
  return stop.finger === 4 && !crossed ? 'fourth finger, to stay on the string' : position;
}

/** Open strings leave the hand where it was: they are spread over the positions their neighbours may be in. */
function spreadOpen(places: readonly Place[], before: readonly Place[] = [], after: readonly Place[] = []): Place[] {
  const around = new Map(
    [...before, ...after].flatMap((p) => (p.position === null ? [] : [[`${p.base} ${p.hand}`, p] as const])),
  );
  return places.flatMap((p): Place[] =>
    p.position !== null || around.size === 0
      ? [p]
      : [...around.values()].map(({ position, base, hand }) => ({ ...p, position, base, hand })),
  );
}

/** The nearest places before and after each column in which a finger is down. */
function nearestStopped(columns: readonly (readonly Place[])[]): readonly (readonly Place[])[] {
  let last: readonly Place[] = [];
  return columns.map((places) => {
    const before = last;
    const stopped = places.filter((p) => p.position !== null);
    if (stopped.length > 0) last = stopped;
    return before;
  });
}

/** A finger on its string. */
const answerText = ({ finger, string }: Stop): string => `${finger}, string ${string + 1}`;

const NO_COLUMN: StringColumn = { notes: [], seconds: 1, length: 0, afterRest: false };

/** String, position and finger for every note of a bowed part. */
export function fingerBowed(score: Score, instrument: BowedStrings, request: BowedRequest): Fingering {
  const part = score.parts.find((p) => score.notes.some((n) => n.part === p.id && n.midi !== null));
  const all = part ? stringColumns(score, part.id) : [];
  const warnings: FingeringWarning[] = [];
  const columns: { column: StringColumn; places: Place[] }[] = [];
  for (const column of all) {
    const places = placesOf(column, instrument, request);
    if (places.length > 0) columns.push({ column, places });
    else {
      const [note] = column.notes;
      if (note)
        warnings.push({
          code: 'out-of-range',
          bar: note.bar,
          noteIds: column.notes.map((n) => n.id),
          message: `bar ${score.bars[note.bar]?.name ?? ''}: cannot be played on ${request.onString === undefined ? `the ${instrument.name}` : `string ${request.onString}`}`,
        });
    }
  }
  const placed = columns.map((c) => c.places);
  const before = nearestStopped(placed);
  const after = [...nearestStopped([...placed].reverse())].reverse();
  const spread = placed.map((places, c) => spreadOpen(places, before[c], after[c]));
  const columnAt = (c: number): StringColumn => columns[c]?.column ?? NO_COLUMN;
  const own = (p: Place, c: number): number =>
    ownCost(p, columnAt(c), columns[c + 1]?.column, request, instrument.frame);
  const step = (a: Place, b: Place, c: number): number => stepCost(a, b, columnAt(c));
  const path = cheapestPath(spread, own, step);
  const through = request.margins ? leastThrough(spread, own, step) : [];
  const answersAt = (c: number, noteId: string): readonly Answer[] =>
    (spread[c] ?? []).flatMap((place, k) => {
      const stop = place.stops.find((s) => s.note.id === noteId);
      const cost = through[c]?.[k];
      return stop && cost !== undefined ? [{ text: answerText(stop), cost }] : [];
    });
  const from = request.from ?? 0;
  const to = request.to ?? score.bars.length - 1;
  const notes: FingeredNote[] = [];
  let shown: string | null = null;
  // The string on which the hand lies open, once it was said.
  let openOn: number | null = null;
  path.picks.forEach((pick, c) => {
    const place = spread[c]?.[pick];
    const before = c > 0 ? spread[c - 1]?.[path.picks[c - 1] ?? 0] : undefined;
    // Within one position the open hand may shift, too: a semitone, all fingers together.
    const move = before && place ? handMove(before, place) : 'stays';
    const shifted = move === 'shifts' || move === 'cannot';
    for (const stop of place?.stops ?? []) {
      const name = stop.position === null ? shown : positionName(stop.position, stop.raised);
      const changes = name !== shown || (stop.position !== null && shifted);
      shown = name;
      const opens = stop.extended && openOn !== stop.string;
      openOn = stop.extended ? stop.string : null;
      if (stop.note.bar < from || stop.note.bar > to) continue;
      const locked = request.locks.has(stop.note.id);
      const crossed = before !== undefined && before.stops[0]?.string !== stop.string;
      notes.push({
        noteId: stop.note.id,
        bar: stop.note.bar,
        finger: String(stop.finger),
        string: stop.string + 1,
        ...(changes && name !== null ? { position: name } : {}),
        ...(opens ? { extended: true as const } : {}),
        locked,
        ...(locked ? {} : runnerUp(answerText(stop), answersAt(c, stop.note.id))),
        why: locked ? 'yours' : reasonFor(stop, changes && c > 0, crossed),
      });
    }
    // Notes of wider chords are rolled: they take the first place that fits.
    const rest = columns[c]?.column.notes.slice(0, -2) ?? [];
    for (const note of rest) {
      const [stop] = stopsOf(note, instrument, request);
      if (stop && note.bar >= from && note.bar <= to)
        notes.push({
          noteId: note.id,
          bar: note.bar,
          finger: String(stop.finger),
          string: stop.string + 1,
          locked: false,
          why: 'rolled with the chord',
        });
    }
  });
  return { notes, cost: path.cost, optimal: true, warnings };
}
