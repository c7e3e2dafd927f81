import type { Score } from '../../score';
import type { FingeredNote, Fingering, FingeringWarning } from '../types';
import { stopsOf, type BowedRequest, type Stop } from './bowed-stops';
import { stringColumns, type StringColumn } from './columns';
import type { BowedStrings } from '../../instruments';
import { cheapestPath } from './lattice';

/** One or two notes at once. */
interface Place {
  readonly stops: readonly Stop[];
  readonly position: number | null;
  readonly base: number | null;
}

/** Costs, chosen by us. */
export const BOWED_WEIGHTS = {
  shift: 3,
  shiftSemitone: 0.35,
  shiftByOpen: 0.4,
  crossing: 0.5,
  skippedString: 1.2,
  highPosition: 0.45,
  halfPosition: 0.2,
  extension: 1.6,
  fourth: 0.35,
  openLong: 0.5,
  openShort: -0.1,
  sameFingerFifth: 0.8,
  sameFingerOther: 2,
  doubleStopFourth: 0.6,
} as const;

/** Places for one or two notes at once; more than two are taken as the top two (the rest are rolled). */
function placesOf(column: StringColumn, instrument: BowedStrings, request: BowedRequest): Place[] {
  const notes = column.notes.slice(-2);
  const single = (s: Stop): Place => ({ stops: [s], position: s.position, base: s.base });
  const [low, high] = notes;
  if (!low) return [];
  const lows = stopsOf(low, instrument, request);
  if (!high) return lows.map(single);
  const highs = stopsOf(high, instrument, request);
  const pairs = lows.flatMap((a) =>
    highs.flatMap((b): Place[] => {
      if (a.string - b.string !== 1) return [];
      if (a.base !== null && b.base !== null && Math.abs(a.base - b.base) > 1) return [];
      if (a.finger !== 0 && a.finger === b.finger && (a.base ?? 0) !== (b.base ?? 0)) return [];
      return [{ stops: [a, b], position: b.position ?? a.position, base: b.base ?? a.base }];
    }),
  );
  return pairs.length > 0 ? pairs : highs.map(single);
}

function ownCost(place: Place, column: StringColumn, request: BowedRequest, frame: BowedStrings['frame']): number {
  const w = BOWED_WEIGHTS;
  let cost = 0;
  for (const s of place.stops) {
    if (s.finger === 0)
      cost += request.openOrFourth === 'fourth' ? w.fourth * 2 : column.length > 0.9 ? w.openLong : w.openShort;
    // The bass has no third finger to prefer to the fourth.
    if (s.finger === 4 && frame !== 'simandl') cost += w.fourth;
    if (s.extended) cost += w.extension;
    if (s.position === 0) cost += w.halfPosition;
    if (s.position !== null && s.position > 1) cost += w.highPosition * (s.position - 1);
  }
  if (place.stops.length === 2 && place.stops.some((s) => s.finger === 4)) cost += w.doubleStopFourth;
  return cost;
}

/** The place the hand was in carries over open strings: a path keeps the last stopped base in its places. */
function stepCost(a: Place, b: Place, column: StringColumn): number {
  const w = BOWED_WEIGHTS;
  let cost = 0;
  const from = a.stops[a.stops.length - 1];
  const to = b.stops[b.stops.length - 1];
  if (!from || !to) return 0;
  const strings = Math.abs(from.string - to.string);
  cost += w.crossing * strings + w.skippedString * Math.max(0, strings - 1);
  if (a.position !== null && b.position !== null && a.position !== b.position) {
    const far = Math.abs((a.base ?? 0) - (b.base ?? 0));
    cost += (w.shift + w.shiftSemitone * far) * (column.afterRest || from.finger === 0 ? w.shiftByOpen : 1);
  }
  if (from.finger !== 0 && from.finger === to.finger && from.note.midi !== to.note.midi)
    cost += strings === 1 && a.base === b.base ? w.sameFingerFifth : w.sameFingerOther;
  return cost * (column.afterRest ? 0.6 : 1);
}

const ORDINALS = ['half', 'first', 'second', 'third', 'fourth', 'fifth', 'sixth', 'seventh', 'eighth'];
export const positionName = (position: number): string =>
  `${ORDINALS[Math.floor(position)] ?? `${position}th`}${Number.isInteger(position) ? '' : ' and a half'} position`;

/** Why a stop was taken; `shifts` where the hand moves for it, `crossed` where the string changes. */
function reasonFor(stop: Stop, shifts: boolean, crossed: boolean): string {
  if (stop.finger === 0) return 'open string';
  const position = positionName(stop.position ?? 1);
  if (shifts) return `shift to ${position}`;
  if (stop.extended) return 'reached by an extension';
  return stop.finger === 4 && !crossed ? 'fourth finger, to stay on the string' : position;
}

/** Open strings leave the hand where it was: they are spread over the positions their neighbours may be in. */
function spreadOpen(places: readonly Place[], before: readonly Place[] = [], after: readonly Place[] = []): Place[] {
  const around = [
    ...new Set([...before, ...after].flatMap((p) => (p.position === null ? [] : [`${p.position} ${p.base}`]))),
  ];
  return places.flatMap((p): Place[] =>
    p.position !== null || around.length === 0
      ? [p]
      : around.map((key) => {
          const [position = 1, base = 2] = key.split(' ').map(Number);
          return { ...p, position, base };
        }),
  );
}

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
  const spread = columns.map(({ places }, c) => spreadOpen(places, columns[c - 1]?.places, columns[c + 1]?.places));
  const path = cheapestPath(
    spread,
    (p, c) =>
      ownCost(
        p,
        columns[c]?.column ?? { notes: [], seconds: 1, length: 0, afterRest: false },
        request,
        instrument.frame,
      ),
    (a, b, c) => stepCost(a, b, columns[c]?.column ?? { notes: [], seconds: 1, length: 0, afterRest: false }),
  );
  const from = request.from ?? 0;
  const to = request.to ?? score.bars.length - 1;
  const notes: FingeredNote[] = [];
  let shown: number | null = null;
  path.picks.forEach((pick, c) => {
    const place = spread[c]?.[pick];
    const before = c > 0 ? spread[c - 1]?.[path.picks[c - 1] ?? 0] : undefined;
    for (const stop of place?.stops ?? []) {
      const changes = stop.position !== null && stop.position !== shown;
      if (stop.position !== null) shown = stop.position;
      if (stop.note.bar < from || stop.note.bar > to) continue;
      const locked = request.locks.has(stop.note.id);
      const crossed = before !== undefined && before.stops[0]?.string !== stop.string;
      notes.push({
        noteId: stop.note.id,
        bar: stop.note.bar,
        finger: String(stop.finger),
        string: stop.string + 1,
        ...(changes && stop.position !== null ? { position: positionName(stop.position) } : {}),
        locked,
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
