/** What a place costs a bowed instrument, and what the way from one to the next. */
import type { BowedStrings } from '../../instruments';
import type { BowedRequest, HandShape, Stop } from './bowed-stops';
import type { StringColumn } from './columns';

/** One or two notes at once, and how the hand lies. */
export interface Place {
  readonly stops: readonly Stop[];
  readonly position: number | null;
  readonly base: number | null;
  readonly hand: HandShape;
}

/** Costs, chosen by us. */
const BOWED_WEIGHTS = {
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

/** A note on the way up: the next one is higher, so that the open string is not come back to. */
const goesUp = (column: StringColumn, next: StringColumn | undefined): boolean =>
  next !== undefined && (next.notes[0]?.midi ?? 0) > (column.notes[0]?.midi ?? 0);

function openCost(place: Place, column: StringColumn, next: StringColumn | undefined, request: BowedRequest): number {
  const w = BOWED_WEIGHTS;
  if ((place.position ?? 1) > 1) return w.openHigher;
  return request.openOrFourth === 'fourth' && !goesUp(column, next) ? w.openUnasked : w.openAtNut;
}

export function ownCost(
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
export function handMove(a: Place, b: Place): HandMove {
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
export function stepCost(a: Place, b: Place, column: StringColumn): number {
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
