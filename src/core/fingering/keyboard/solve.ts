/**
 * The least-cost fingering of one hand: a dynamic programme over what the hand holds at each onset, two events back.
 * The cost is the sum of the rules in `rules.ts`; the result is its optimum (checked against exhaustive search in the
 * tests). A locked finger is the only choice its note has; the rest is solved around it. Time grows in proportion to
 * the events.
 */
import {
  chordShape,
  groupStep,
  KEYBOARD_WEIGHTS,
  lineStep,
  lineTriple,
  thumbOnBlack,
  weakFinger,
  type Played,
} from './rules';
import { isBlackKey } from '../../score';
import { withoutRefused } from '../refused';
import { FINGERS, type Finger, type Spans } from './spans';
import type { Hand } from './standard';

/** Notes struck together by one hand, with those that it still holds. */
export interface HandEvent {
  /** Sounding keys, low to high. */
  readonly keys: readonly number[];
  /** Which of them were struck before and are held: they keep the finger they have. */
  readonly held: readonly boolean[];
  /** A finger each note must have, or null. */
  readonly locked: readonly (Finger | null)[];
  /** Fingers that are not wanted, by note; absent where all may be taken. */
  readonly refused?: readonly (readonly Finger[])[];
  /** The standard finger of a scale or arpeggio, for a single note. */
  readonly standard: Finger | null;
  /** The fingers the same notes, or the same figure elsewhere, had where they came before, or null. */
  readonly wanted: readonly (Finger | null)[];
  /** What another finger than the wanted one costs. */
  readonly wantedPrice: number;
  /** Seconds since the event before began. */
  readonly seconds: number;
  /** A rest long enough to free the hand lies before it. */
  readonly afterRest: boolean;
}

/** Fingers of an event's notes, low to high. */
export type Assignment = readonly Finger[];

/**
 * Fingers that can take the notes: in the order of the keys, locks kept; with more than five notes neighbours share
 * fingers. What was refused is left out where others are left.
 */
export function assignmentsOf(event: HandEvent, hand: Hand): readonly Assignment[] {
  const all = allAssignments(event, hand);
  const { refused } = event;
  return refused
    ? withoutRefused(all, (fingers) =>
        fingers.some((f, i) => event.locked[i] === null && (refused[i]?.includes(f) ?? false)),
      )
    : all;
}

function allAssignments(event: HandEvent, hand: Hand): readonly Assignment[] {
  const out: Finger[][] = [];
  const n = event.keys.length;
  const grow = (so: readonly Finger[]): void => {
    if (so.length === n) {
      out.push([...so]);
      return;
    }
    const lock = event.locked[so.length] ?? null;
    for (const finger of FINGERS) {
      if (lock !== null && finger !== lock) continue;
      const last = so[so.length - 1];
      const left = n - so.length - 1;
      if (last !== undefined && lock === null) {
        const inOrder = hand === 'right' ? finger > last : finger < last;
        // A thumb may lie on two keys where there are more notes than fingers.
        if (!inOrder && !(n > 5 && finger === last)) continue;
      }
      if (n <= 5 && lock === null) {
        const room = hand === 'right' ? 5 - finger : finger - 1;
        if (room < left && event.locked.slice(so.length + 1).every((l) => l === null)) continue;
      }
      grow([...so, finger]);
    }
  };
  grow([]);
  return out.length > 0 ? out : [event.keys.map((_, i) => event.locked[i] ?? (FINGERS[Math.min(4, i)] as Finger))];
}

/** What a hand holds at an event: all keys that are down, and those of them that are struck. */
export interface Grip {
  readonly all: readonly Played[];
  readonly struck: readonly Played[];
}

/** Keys with their fingers as the rules see them: the left hand mirrored. */
export function gripOf(event: HandEvent, fingers: Assignment, hand: Hand): Grip {
  const all = event.keys.map((key, i) => ({
    x: hand === 'right' ? key : -key,
    black: isBlackKey(key),
    finger: fingers[i] ?? 1,
    held: event.held[i] ?? false,
  }));
  return { all, struck: all.some((n) => n.held) ? all.filter((n) => !n.held) : all };
}

/** The event alone. */
export function eventCost(event: HandEvent, { all, struck }: Grip, spans: Spans): number {
  const other =
    event.wantedPrice === 0
      ? 0
      : event.wantedPrice *
        all.filter((p, i) => event.wanted[i] != null && event.locked[i] === null && event.wanted[i] !== p.finger)
          .length;
  const [only] = struck;
  if (struck.length !== 1 || !only) return chordShape(all, spans) + other;
  const off =
    event.standard !== null && !event.locked.some((l) => l !== null) && only.finger !== event.standard
      ? KEYBOARD_WEIGHTS.standard
      : 0;
  const beside = all.length > 1 ? chordShape(all, spans) : 0;
  return weakFinger(only) + thumbOnBlack(only) + off + other + beside;
}

/** A key that is held keeps its finger. */
const holdsOn = (a: Grip, b: Grip): boolean =>
  b.all === b.struck || b.all.every((n) => !n.held || a.all.every((o) => o.x !== n.x || o.finger === n.finger));

/** One event after another. */
export function stepCost(event: HandEvent, a: Grip, b: Grip, spans: Spans): number {
  if (!holdsOn(a, b)) return KEYBOARD_WEIGHTS.letsGo;
  const [x] = a.struck;
  const [y] = b.struck;
  const cost =
    a.struck.length === 1 && b.struck.length === 1 && x && y
      ? lineStep(x, y, spans, event.seconds)
      : groupStep(a.struck, b.struck, spans);
  return event.afterRest ? cost * KEYBOARD_WEIGHTS.afterRest : cost;
}

const isSingle = ({ held }: HandEvent): boolean => held.reduce((n, h) => n + (h ? 0 : 1), 0) === 1;

/** Three events that are a line: single notes, and no rest frees the hand between them. */
export const isLine = (a: HandEvent, b: HandEvent, c: HandEvent): boolean =>
  !b.afterRest && !c.afterRest && isSingle(a) && isSingle(b) && isSingle(c);

/** Three events of a line. */
export function tripleCost(x: Grip, y: Grip, z: Grip, spans: Spans): number {
  const [p] = x.struck;
  const [q] = y.struck;
  const [r] = z.struck;
  return p && q && r ? lineTriple(p, q, r, spans) : 0;
}

/** The whole cost of a fingering: what the solver makes least. */
export function totalCost(
  events: readonly HandEvent[],
  chosen: readonly Assignment[],
  hand: Hand,
  spans: Spans,
): number {
  const grips = events.map((e, i) => gripOf(e, chosen[i] ?? [], hand));
  return events.reduce((cost, event, i) => {
    const here = grips[i];
    const before = grips[i - 1];
    const two = grips[i - 2];
    const [first, middle] = [events[i - 2], events[i - 1]];
    if (!here) return cost;
    return (
      cost +
      eventCost(event, here, spans) +
      (before ? stepCost(event, before, here, spans) : 0) +
      (before && two && first && middle && isLine(first, middle, event) ? tripleCost(two, before, here, spans) : 0)
    );
  }, 0);
}

export interface Solution {
  readonly fingers: readonly Assignment[];
  readonly cost: number;
}

/** Costs of two events together, place p × width + c: the p-th choice of the one and the c-th of the other. */
export interface Table {
  readonly width: number;
  readonly cost: Float64Array;
  /** The choice of the event before both. */
  readonly back: Uint8Array;
}

const emptyTable = (height: number, width: number): Table => ({
  width,
  cost: new Float64Array(height * width).fill(Infinity),
  back: new Uint8Array(height * width),
});

/** Costs that differ by less are the same: the earlier choice stays. */
const SAME = 1e-12;

/** One event more: `table` is of the two before it, the result of the last of them and the new one. */
function withEvent(
  table: Table,
  events: readonly HandEvent[],
  grips: readonly (readonly Grip[])[],
  single: readonly Float64Array[],
  i: number,
  spans: Spans,
): Table {
  const [first, middle, event] = [events[i - 2], events[i - 1], events[i]];
  const two = grips[i - 2] ?? [];
  const before = grips[i - 1] ?? [];
  const here = grips[i] ?? [];
  const next = emptyTable(before.length, here.length);
  if (!middle || !event) return next;
  const line = first !== undefined && isLine(first, middle, event);
  before.forEach((b, p) => {
    // Where no line binds three events, the best way to the middle one is the best for all that follow.
    let wayCost = i === 1 ? (table.cost[p] ?? Infinity) : Infinity;
    let wayBack = 0;
    if (i > 1 && !line)
      for (let k = 0; k < two.length; k += 1) {
        const cost = table.cost[k * table.width + p] ?? Infinity;
        if (cost < wayCost - SAME) {
          wayCost = cost;
          wayBack = k;
        }
      }
    here.forEach((h, c) => {
      const own = (single[i]?.[c] ?? 0) + stepCost(event, b, h, spans);
      let best = wayCost;
      let back = wayBack;
      if (line)
        for (let k = 0; k < two.length; k += 1) {
          const t = two[k];
          const cost = t ? (table.cost[k * table.width + p] ?? Infinity) + tripleCost(t, b, h, spans) : Infinity;
          if (cost < best - SAME) {
            best = cost;
            back = k;
          }
        }
      next.cost[p * next.width + c] = best + own;
      next.back[p * next.width + c] = back;
    });
  });
  return next;
}

/** What may be played at each event, and what each choice costs by itself. */
export interface Choices {
  readonly assignments: readonly (readonly Assignment[])[];
  readonly grips: readonly (readonly Grip[])[];
  readonly single: readonly Float64Array[];
}

export function choicesOf(events: readonly HandEvent[], hand: Hand, spans: Spans): Choices {
  const assignments = events.map((e) => assignmentsOf(e, hand));
  const grips = events.map((e, i) => (assignments[i] ?? []).map((a) => gripOf(e, a, hand)));
  const single = events.map((e, i) => Float64Array.from(grips[i] ?? [], (grip) => eventCost(e, grip, spans)));
  return { assignments, grips, single };
}

/** The least costs up to each event and its neighbour before it; the first table is of one event alone. */
export function tablesOf(events: readonly HandEvent[], { grips, single }: Choices, spans: Spans): readonly Table[] {
  const tables: Table[] = [];
  single.forEach((alone, i) => {
    const last = tables[i - 1];
    tables.push(
      last
        ? withEvent(last, events, grips, single, i, spans)
        : { width: alone.length, cost: alone, back: new Uint8Array(alone.length) },
    );
  });
  return tables;
}

/** The least-cost fingers of a hand's events. No events give no fingers and no cost. */
export function solveHand(events: readonly HandEvent[], hand: Hand, spans: Spans): Solution {
  const choices = choicesOf(events, hand, spans);
  const tables = tablesOf(events, choices, spans);
  const end = tables[tables.length - 1];
  if (!end) return { fingers: [], cost: 0 };
  const best = end.cost.reduce((m, cost, at) => (cost < (end.cost[m] ?? Infinity) ? at : m), 0);
  let [p, c] = events.length === 1 ? [0, best] : [Math.floor(best / end.width), best % end.width];
  const picks: number[] = [];
  for (let i = events.length - 1; i >= 1; i -= 1) {
    picks.push(c);
    const table = tables[i];
    const back = table?.back[p * table.width + c] ?? 0;
    c = p;
    p = back;
  }
  picks.push(c);
  picks.reverse();
  return { fingers: picks.map((k, i) => choices.assignments[i]?.[k] ?? []), cost: end.cost[best] ?? 0 };
}
