import { type Key, type Note, type Score, staffPosition } from '../../score';
import { runnerUp, type Answer } from '../runner-up';
import type { Refused } from '../refused';
import type { FingeredNote, Fingering, FingeringWarning } from '../types';
import { earlierFingers, type Model } from './earlier-fingers';
import { columnsOf, handsOf, type HandChoice, type HandColumn } from './hands';
import { KEYBOARD_WEIGHTS } from './rules';
import { standardRuns, type LineNote, type StandardRun } from './runs';
import { leastWith } from './choices';
import { solveHand, totalCost, type Assignment, type HandEvent } from './solve';
import { FINGERS, spansFor, type Finger } from './spans';
import type { Hand } from './standard';

export interface KeyboardRequest {
  readonly hand: HandChoice;
  /** Widest comfortable span, thumb to little finger, in semitones. */
  readonly spanInSemitones: number;
  /** Note id → finger the teacher set. */
  readonly locks: ReadonlyMap<string, Finger>;
  /** Note id → fingers the teacher does not want. */
  readonly refused?: Refused;
  /** Note id → hand the teacher chose. */
  readonly hands?: ReadonlyMap<string, Hand>;
  /** Bars to finger, both included; the whole piece when left out. Notes around them still count as context. */
  readonly from?: number;
  readonly to?: number;
  /** Says of each note how far the next best finger is behind. */
  readonly margins?: boolean;
}

/** Semitones past the comfortable span that a hand still holds. */
const PAST_THE_SPAN = 2;

/** Notes of a piece that is solved whole in well under a tenth of a second. */
const SOLVED_WHOLE = 1200;

export const isFinger = (n: number): n is Finger => FINGERS.some((f) => f === n);

/** What this finger does here, in one line. */
function reasonOf(
  run: StandardRun | undefined,
  locked: boolean,
  column: HandColumn,
  finger: Finger,
  before: { readonly key: number; readonly finger: Finger } | null,
  key: number,
  hand: Hand,
): string {
  if (locked) return 'yours';
  if (run) return `standard fingering of the ${run.name}`;
  if (column.notes.length > 1) return 'outer fingers by the span of the chord';
  if (!before) return 'where the hand begins';
  if (column.afterRest) return 'the rest frees the hand';
  if (before.key === key)
    return before.finger === finger ? 'the same finger on a repeated note' : 'a fresh finger on a fast repetition';
  const away = hand === 'right' ? key > before.key : key < before.key;
  if (finger === 1 && away) return 'thumb under, to go on';
  if (before.finger === 1 && !away && finger > 1) return 'over the thumb, to go on';
  if (Math.abs(key - before.key) > 7) return 'a leap: the hand moves';
  return 'in the position of the hand';
}

interface SolvedHand {
  readonly columns: readonly HandColumn[];
  readonly events: readonly HandEvent[];
  /** Of all keys of an event, those that are held among them. */
  readonly assigned: readonly Assignment[];
  /** Of the notes of a column. */
  readonly fingers: readonly Assignment[];
  readonly cost: number;
  readonly runs: readonly StandardRun[];
  readonly models: ReadonlyMap<number, Model>;
}

const byKey = (a: Note, b: Note): number => (a.midi ?? 0) - (b.midi ?? 0);

/** A column as the solver sees it: all keys that are down, low to high. */
function eventOf(
  column: HandColumn,
  standard: Finger | null,
  { locks, refused }: Pick<KeyboardRequest, 'locks' | 'refused'>,
): HandEvent {
  const all = [...column.notes, ...column.held].sort(byKey);
  return {
    keys: all.map((n) => n.midi ?? 60),
    held: all.map((n) => column.held.includes(n)),
    locked: all.map((n) => locks.get(n.id) ?? null),
    ...(refused && all.some((n) => refused.has(n.id))
      ? { refused: all.map((n) => FINGERS.filter((f) => refused.get(n.id)?.includes(String(f)) ?? false)) }
      : {}),
    // The hand of a scale is free to pass the thumb; one that holds a key is not.
    standard: column.held.length === 0 ? standard : null,
    wanted: all.map(() => null),
    wantedPrice: 0,
    seconds: column.seconds,
    afterRest: column.afterRest,
  };
}

const struckFingers = (event: HandEvent | undefined, assigned: Assignment): Assignment =>
  event?.held.some((h) => h) ? assigned.filter((_, i) => !event.held[i]) : assigned;

/** The event with the fingers that its model had. */
function asItsModel(event: HandEvent, { fingers, kind }: Model): HandEvent {
  let at = -1;
  return {
    ...event,
    wanted: event.held.map((held) => {
      if (held) return null;
      at += 1;
      return fingers[at] ?? null;
    }),
    wantedPrice: kind === 'same' ? KEYBOARD_WEIGHTS.sameMaterial : KEYBOARD_WEIGHTS.sameFigure,
  };
}

function solveOne(score: Score, notes: readonly Note[], hand: Hand, request: KeyboardRequest): SolvedHand {
  const columns = columnsOf(score, notes, request.spanInSemitones + PAST_THE_SPAN);
  const line: LineNote[] = columns.flatMap((c, event) => {
    const [n] = c.notes;
    return c.notes.length === 1 && n && n.midi !== null
      ? [{ event, key: n.midi as number, step: n.pitch ? staffPosition(n.pitch) : null }]
      : [];
  });
  const keyOf = (event: number): Key | null => score.bars[columns[event]?.notes[0]?.bar ?? 0]?.key ?? null;
  const runs = standardRuns(line, hand, keyOf);
  const standard = new Map<number, Finger>();
  // Longer runs come first and keep their fingers where runs meet.
  for (const run of runs)
    for (const [event, finger] of run.fingers) if (!standard.has(event)) standard.set(event, finger);
  const events = columns.map((c, i) => eventOf(c, standard.get(i) ?? null, request));
  const spans = spansFor(request.spanInSemitones);
  const first = solveHand(events, hand, spans);
  // Once more with the fingers that the same bar had when it first came: the same material gets the same fingering.
  const models = earlierFingers(
    score,
    columns,
    first.fingers.map((f, i) => struckFingers(events[i], f)),
  );
  const again =
    models.size === 0
      ? events
      : events.map((e, i) => {
          const model = models.get(i);
          return model && !model.blackKeys ? asItsModel(e, model) : e;
        });
  const { fingers: assigned, cost } = models.size === 0 ? first : solveHand(again, hand, spans);
  return {
    columns,
    events: again,
    assigned,
    fingers: assigned.map((f, i) => struckFingers(again[i], f)),
    cost,
    runs,
    models,
  };
}

/** Where the way in or out, or a black key, forces other fingers on what came before. */
function differenceWarnings(score: Score, solved: SolvedHand, hand: Hand): FingeringWarning[] {
  const seen = new Set<number>();
  return solved.columns.flatMap((c, i): FingeringWarning[] => {
    const model = solved.models.get(i);
    const bar = c.notes[0]?.bar ?? 0;
    if (!model || seen.has(bar) || solved.fingers[model.column]?.join() === solved.fingers[i]?.join()) return [];
    seen.add(bar);
    const name = (b: number): string => score.bars[b]?.name ?? String(b + 1);
    const what = model.kind === 'same' ? 'on the same notes' : 'for the same figure';
    const why = model.blackKeys ? 'black keys lie otherwise' : 'for the way in or out';
    return [
      {
        code: 'other-fingers',
        bar,
        noteIds: c.notes.map((n) => n.id),
        message: `bar ${name(bar)}, ${hand} hand: other fingers than in bar ${name(model.bar)} ${what}${model.blackKeys ? ': ' : ', '}${why}`,
      },
    ];
  });
}

/** Chords wider than the hand, each with a way out. */
function stretchWarnings(score: Score, solved: SolvedHand, span: number, hand: Hand): FingeringWarning[] {
  return solved.columns.flatMap((c) => {
    const low = c.notes[0];
    const high = c.notes[c.notes.length - 1];
    if (!low || !high || c.notes.length < 2) return [];
    const width = (high.midi ?? 0) - (low.midi ?? 0);
    if (width <= span) return [];
    const number = score.bars[low.bar]?.name ?? '';
    const inner = c.notes.length > 2;
    return [
      {
        code: 'stretch',
        bar: low.bar,
        noteIds: c.notes.map((n) => n.id),
        message: `bar ${number}, ${hand} hand: ${width} semitones, ${width - span} more than the comfortable span. Roll it from the bottom, give ${hand === 'left' ? 'the top' : 'the bottom'} note to the other hand${inner ? ', or leave out an inner note that sounds elsewhere' : ', or leave out the doubled note'}.`,
      },
    ];
  });
}

/** Where a lock makes the rest awkward: how much the optimum costs more with it than without. */
function lockWarnings(score: Score, solved: SolvedHand, hand: Hand, request: KeyboardRequest): FingeringWarning[] {
  const locked = solved.columns.some((c) => c.notes.some((n) => request.locks.has(n.id)));
  if (!locked) return [];
  const spans = spansFor(request.spanInSemitones);
  const out: FingeringWarning[] = [];
  solved.columns.forEach((c, i) => {
    const held = c.notes.filter((n) => request.locks.has(n.id));
    if (held.length === 0) return;
    const from = Math.max(0, i - 4);
    const window = solved.events.slice(from, i + 5);
    const free = window.map((e, k) => (from + k === i ? { ...e, locked: e.locked.map(() => null) } : e));
    const without = solveHand(free, hand, spans).cost;
    const withLock = totalCost(window, solved.assigned.slice(from, i + 5), hand, spans);
    if (withLock - without > 6)
      out.push({
        code: 'awkward-lock',
        bar: c.notes[0]?.bar ?? 0,
        noteIds: held.map((n) => n.id),
        message: `bar ${score.bars[c.notes[0]?.bar ?? 0]?.name ?? ''}: the finger you set makes its neighbours awkward; without it another would be chosen`,
      });
  });
  return out;
}

/** A proposal for every note of a keyboard piece, or of some bars of it, hand by hand. */
export function fingerKeyboard(score: Score, request: KeyboardRequest): Fingering {
  const from = request.from ?? 0;
  const to = request.to ?? score.bars.length - 1;
  const hands = handsOf(score, request.hand, request.spanInSemitones, request.hands);
  // Two bars around the wanted ones keep the hand's way in and out. Short pieces are solved whole, so that what came
  // before is known.
  const near =
    score.notes.length <= SOLVED_WHOLE ? score.notes : score.notes.filter((n) => n.bar >= from - 2 && n.bar <= to + 2);
  const notes: FingeredNote[] = [];
  const warnings: FingeringWarning[] = [];
  let cost = 0;
  for (const part of score.parts)
    for (const hand of ['right', 'left'] as const) {
      const mine = near.filter((n) => n.part === part.id && hands.get(n.id) === hand);
      if (mine.length === 0) continue;
      const solved = solveOne(score, mine, hand, request);
      cost += solved.cost;
      const choices = request.margins ? leastWith(solved.events, hand, spansFor(request.spanInSemitones)) : [];
      const answersAt = (i: number, k: number): readonly Answer[] =>
        (choices[i] ?? []).map(({ fingers, cost }) => ({
          text: String(struckFingers(solved.events[i], fingers)[k] ?? ''),
          cost,
        }));
      const runsAt = new Map<number, StandardRun[]>();
      for (const r of solved.runs)
        for (const event of r.fingers.keys()) {
          const there = runsAt.get(event);
          if (there) there.push(r);
          else runsAt.set(event, [r]);
        }
      let before: { key: number; finger: Finger } | null = null;
      solved.columns.forEach((column, i) => {
        column.notes.forEach((note, k) => {
          const finger = solved.fingers[i]?.[k] ?? 1;
          const locked = request.locks.has(note.id);
          const run = runsAt.get(i)?.find((r) => r.fingers.get(i) === finger);
          if (note.bar >= from && note.bar <= to)
            notes.push({
              noteId: note.id,
              bar: note.bar,
              finger: String(finger),
              hand,
              locked,
              ...(locked ? {} : runnerUp(String(finger), answersAt(i, k))),
              ...(run?.alternatives.has(i)
                ? { alternates: (run.alternatives.get(i) ?? []).filter((f) => f !== finger).map(String) }
                : {}),
              why: reasonOf(run, locked, column, finger, before, note.midi ?? 60, hand),
            });
          if (column.notes.length === 1) before = { key: note.midi ?? 60, finger };
        });
        if (column.notes.length > 1) before = null;
      });
      const inRange = (w: FingeringWarning): boolean => w.bar >= from && w.bar <= to;
      warnings.push(
        ...stretchWarnings(score, solved, request.spanInSemitones, hand).filter(inRange),
        ...lockWarnings(score, solved, hand, request).filter(inRange),
        ...differenceWarnings(score, solved, hand).filter(inRange),
      );
    }
  return { notes, cost, optimal: true, warnings };
}
