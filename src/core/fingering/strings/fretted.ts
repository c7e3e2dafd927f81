import type { Note, Score } from '../../score';
import { withoutRefused, type Refused } from '../refused';
import type { FingeredNote, Fingering, FingeringWarning } from '../types';
import { fingerShape } from './chord-shapes';
import { stringColumns, type StringColumn } from './columns';
import type { FrettedStrings } from '../../instruments';
import { cheapestPath, leastThrough } from './lattice';
import { answersAt, runnerUp } from '../runner-up';

export interface FrettedRequest {
  readonly locks: ReadonlyMap<string, { readonly finger?: string; readonly string?: number; readonly fret?: number }>;
  /** Note id → fingers the teacher does not want. */
  readonly refused?: Refused;
  readonly from?: number;
  readonly to?: number;
  readonly margins: boolean;
}

interface FretStop {
  readonly note: Note;
  readonly string: number;
  readonly fret: number;
  readonly finger: number;
}

interface FretPlace {
  readonly stops: readonly FretStop[];
  /** Fret under the first finger; null when only open strings sound. */
  readonly hand: number | null;
}

/** Costs, chosen by us. */
export const FRETTED_WEIGHTS = {
  shift: 1.6,
  shiftFret: 0.4,
  height: 0.16,
  open: -0.25,
  stretch: 1.2,
  fourth: 0.2,
  sameFinger: 1.1,
  stringJump: 0.15,
  inside: 0.4,
  drone: 2.5,
} as const;

function stopsFor(note: Note, instrument: FrettedStrings, request: FrettedRequest): { string: number; fret: number }[] {
  const lock = request.locks.get(note.id);
  // What says both string and fret is a place, whatever the tool would think of its sound.
  if (lock?.string !== undefined && lock.fret !== undefined && instrument.strings[lock.string - 1])
    return [{ string: lock.string - 1, fret: lock.fret }];
  const all = instrument.strings.flatMap((open, string) => {
    const nut = instrument.nut[string] ?? 0;
    const up = (note.midi ?? 0) - open.key;
    // Frets of a short string are counted from the nut of the long ones.
    const fret = up === 0 ? 0 : up + nut;
    return up < 0 || fret > instrument.frets ? [] : [{ string, fret }];
  });
  const kept = all.filter(
    (p) =>
      (lock?.string === undefined || p.string === lock.string - 1) &&
      (lock?.fret === undefined || p.fret === lock.fret),
  );
  return kept.length > 0 ? kept : all;
}

const MOST_PLACES = 60;

function placesOf(column: StringColumn, instrument: FrettedStrings, request: FrettedRequest): FretPlace[] {
  const options = column.notes.map((n) => stopsFor(n, instrument, request));
  const combos: { note: Note; string: number; fret: number }[][] = [];
  const grow = (so: { note: Note; string: number; fret: number }[]): void => {
    if (combos.length > 400) return;
    const note = column.notes[so.length];
    if (!note) {
      combos.push(so);
      return;
    }
    for (const o of options[so.length] ?? []) if (!so.some((s) => s.string === o.string)) grow([...so, { note, ...o }]);
  };
  grow([]);
  const places: FretPlace[] = [];
  for (const combo of combos) {
    const stopped = combo.filter((s) => s.fret > 0);
    const low = Math.min(...stopped.map((s) => s.fret));
    const high = Math.max(...stopped.map((s) => s.fret));
    if (stopped.length > 0 && high - low > 4) continue;
    if (stopped.length === 0) {
      places.push({ stops: combo.map((s) => ({ ...s, finger: 0 })), hand: null });
      continue;
    }
    if (combo.length === 1) {
      // One note: any finger may take it, which puts the hand in another place.
      const [only] = stopped;
      const lock = only ? request.locks.get(only.note.id)?.finger : undefined;
      if (only)
        for (const finger of [1, 2, 3, 4])
          if (only.fret - finger + 1 >= 1 && (lock === undefined || lock === String(finger)))
            places.push({ stops: [{ ...only, finger }], hand: only.fret - finger + 1 });
      if (only && lock !== undefined && !places.some((p) => p.stops[0]?.string === only.string))
        places.push({ stops: [{ ...only, finger: Number(lock) || 1 }], hand: only.fret });
      continue;
    }
    // A chord has the fingers that its shape has on a chart.
    const shape = fingerShape(
      instrument.strings.map((_, string) => combo.find((s) => s.string === string)?.fret ?? null),
    );
    if (!shape) continue;
    places.push({ stops: combo.map((s) => ({ ...s, finger: shape.fingers[s.string] ?? 0 })), hand: low });
  }
  const wanted = withoutRefused(places, ({ stops }) =>
    stops.some(
      (s) => !request.locks.has(s.note.id) && (request.refused?.get(s.note.id)?.includes(String(s.finger)) ?? false),
    ),
  );
  return [...wanted].sort((a, b) => own(a, instrument) - own(b, instrument)).slice(0, MOST_PLACES);
}

/** A place by itself; the short drone of a banjo is not for the tune. */
function own(place: FretPlace, instrument: FrettedStrings): number {
  const w = FRETTED_WEIGHTS;
  const stopped = place.stops.filter((s) => s.fret > 0);
  const frets = stopped.map((s) => s.fret);
  const spread = frets.length > 1 ? Math.max(...frets) - Math.min(...frets) : 0;
  const strings = place.stops.map((s) => s.string);
  const inside = strings.length > 1 ? Math.max(...strings) - Math.min(...strings) + 1 - strings.length : 0;
  return (
    (place.hand ?? 0) * w.height +
    place.stops.filter((s) => s.fret === 0).length * w.open +
    Math.max(0, spread - 3) * w.stretch +
    stopped.filter((s) => s.finger === 4).length * w.fourth +
    inside * w.inside +
    place.stops.filter((s) => (instrument.nut[s.string] ?? 0) > 0).length * w.drone
  );
}

function step(a: FretPlace, b: FretPlace, column: StringColumn): number {
  const w = FRETTED_WEIGHTS;
  const from = a.stops[a.stops.length - 1];
  const to = b.stops[b.stops.length - 1];
  let cost = 0;
  if (a.hand !== null && b.hand !== null && a.hand !== b.hand)
    cost += w.shift + w.shiftFret * Math.abs(a.hand - b.hand);
  if (from && to) {
    cost += w.stringJump * Math.abs(from.string - to.string);
    if (
      a.stops.length === 1 &&
      b.stops.length === 1 &&
      from.finger > 0 &&
      from.finger === to.finger &&
      (from.string !== to.string || from.fret !== to.fret)
    )
      cost += w.sameFinger;
  }
  return cost * (column.afterRest ? 0.5 : 1);
}

/** A finger at its place. */
const answerText = ({ finger, string, fret }: FretStop): string =>
  fret === 0 ? `open string ${string + 1}` : `${finger}, string ${string + 1}, fret ${fret}`;

/** String, fret and left-hand finger for every note of a fretted part. */
export function fingerFretted(score: Score, instrument: FrettedStrings, request: FrettedRequest): Fingering {
  const part = score.parts.find((p) => score.notes.some((n) => n.part === p.id && n.midi !== null));
  const warnings: FingeringWarning[] = [];
  const columns: { column: StringColumn; places: FretPlace[] }[] = [];
  for (const column of part ? stringColumns(score, part.id) : []) {
    const places = placesOf(column, instrument, request);
    if (places.length > 0) {
      columns.push({ column, places });
      continue;
    }
    const [note] = column.notes;
    if (note)
      warnings.push({
        code: 'out-of-range',
        bar: note.bar,
        noteIds: column.notes.map((n) => n.id),
        message: `bar ${score.bars[note.bar]?.name ?? ''}: ${column.notes.length > 1 ? 'this chord has no place' : 'this note has no place'} on the ${instrument.name}${column.notes.length > 1 ? ' under one hand: leave out a doubled note' : ''}`,
      });
  }
  const placed = columns.map((c) => c.places);
  const ownOf = (p: FretPlace): number => own(p, instrument);
  const stepTo = (a: FretPlace, b: FretPlace, c: number): number =>
    step(a, b, columns[c]?.column ?? { notes: [], seconds: 1, length: 0, afterRest: false });
  const path = cheapestPath(placed, ownOf, stepTo);
  const through = request.margins ? leastThrough(placed, ownOf, stepTo) : [];
  const from = request.from ?? 0;
  const to = request.to ?? score.bars.length - 1;
  let hand: number | null = null;
  const notes: FingeredNote[] = [];
  path.picks.forEach((pick, c) => {
    const place = columns[c]?.places[pick];
    const moved = place !== undefined && place.hand !== null && place.hand !== hand;
    if (place?.hand != null) hand = place.hand;
    for (const [i, s] of (place?.stops ?? []).entries()) {
      if (s.note.bar < from || s.note.bar > to) continue;
      const locked = request.locks.has(s.note.id);
      notes.push({
        noteId: s.note.id,
        bar: s.note.bar,
        finger: String(s.finger),
        string: s.string + 1,
        fret: s.fret,
        ...(moved && i === 0 && place?.hand != null ? { position: `fret ${place.hand}` } : {}),
        locked,
        ...(locked ? {} : runnerUp(answerText(s), answersAt(placed[c] ?? [], through[c], s.note.id, answerText))),
        why: locked
          ? 'yours'
          : s.fret === 0
            ? 'open string'
            : moved && c > 0
              ? `the hand moves to fret ${place?.hand ?? ''}`
              : `in place at fret ${hand ?? s.fret}`,
      });
    }
  });
  return { notes, cost: path.cost, optimal: true, warnings };
}
