import type { Score } from '../../score';
import type { FingeredNote, Fingering, FingeringWarning } from '../types';
import { handMove, ownCost, stepCost, type Place } from './bowed-costs';
import { stopsOf, type BowedRequest, type Stop } from './bowed-stops';
import { stringColumns, type StringColumn } from './columns';
import type { BowedStrings } from '../../instruments';
import { cheapestPath, leastThrough } from './lattice';
import { answersAt, runnerUp } from '../runner-up';

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

interface Column {
  readonly column: StringColumn;
  readonly places: readonly Place[];
}

/** The columns that can be played, and a warning for each that cannot. */
function playable(
  score: Score,
  instrument: BowedStrings,
  request: BowedRequest,
): { readonly columns: readonly Column[]; readonly warnings: readonly FingeringWarning[] } {
  const part = score.parts.find((p) => score.notes.some((n) => n.part === p.id && n.midi !== null));
  const all = (part ? stringColumns(score, part.id) : []).map((column) => ({
    column,
    places: placesOf(column, instrument, request),
  }));
  const where = request.onString === undefined ? `the ${instrument.name}` : `string ${request.onString}`;
  return {
    columns: all.filter(({ places }) => places.length > 0),
    warnings: all.flatMap(({ column, places }): FingeringWarning[] => {
      const [note] = column.notes;
      return note && places.length === 0
        ? [
            {
              code: 'out-of-range',
              bar: note.bar,
              noteIds: column.notes.map((n) => n.id),
              message: `bar ${score.bars[note.bar]?.name ?? ''}: cannot be played on ${where}`,
            },
          ]
        : [];
    }),
  };
}

/** Notes of wider chords than two are rolled: the lower ones take the first place that fits. */
function rolledNotes({ notes }: StringColumn, instrument: BowedStrings, request: BowedRequest): FingeredNote[] {
  return notes.slice(0, -2).flatMap((note): FingeredNote[] => {
    const [stop] = stopsOf(note, instrument, request);
    return stop
      ? [
          {
            noteId: note.id,
            bar: note.bar,
            finger: String(stop.finger),
            string: stop.string + 1,
            locked: false,
            why: 'rolled with the chord',
          },
        ]
      : [];
  });
}

/** String, position and finger for every note of a bowed part. */
export function fingerBowed(score: Score, instrument: BowedStrings, request: BowedRequest): Fingering {
  const { columns, warnings } = playable(score, instrument, request);
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
  const notes: FingeredNote[] = [];
  let shown: string | null = null;
  // The string on which the hand lies open, once it was said.
  let openOn: number | null = null;
  path.picks.forEach((pick, c) => {
    const place = spread[c]?.[pick];
    const last = c > 0 ? spread[c - 1]?.[path.picks[c - 1] ?? 0] : undefined;
    // Within one position the open hand may shift, too: a semitone, all fingers together.
    const move = last && place ? handMove(last, place) : 'stays';
    const shifted = move === 'shifts' || move === 'cannot';
    for (const stop of place?.stops ?? []) {
      const name = stop.position === null ? shown : positionName(stop.position, stop.raised);
      const changes = name !== shown || (stop.position !== null && shifted);
      shown = name;
      const opens = stop.extended && openOn !== stop.string;
      openOn = stop.extended ? stop.string : null;
      const locked = request.locks.has(stop.note.id);
      const crossed = last !== undefined && last.stops[0]?.string !== stop.string;
      notes.push({
        noteId: stop.note.id,
        bar: stop.note.bar,
        finger: String(stop.finger),
        string: stop.string + 1,
        ...(changes && name !== null ? { position: name } : {}),
        ...(opens ? { extended: true as const } : {}),
        locked,
        ...(locked ? {} : runnerUp(answerText(stop), answersAt(spread[c] ?? [], through[c], stop.note.id, answerText))),
        why: locked ? 'yours' : reasonFor(stop, changes && c > 0, crossed),
      });
    }
    notes.push(...rolledNotes(columnAt(c), instrument, request));
  });
  const from = request.from ?? 0;
  const to = request.to ?? score.bars.length - 1;
  return { notes: notes.filter((n) => n.bar >= from && n.bar <= to), cost: path.cost, optimal: true, warnings };
}
