import { instrumentOf } from '../instruments';
import { cautionsFor } from '../ladder';
import { inOrderOfDay, taskRungs } from '../plan';
import { inBeats, type Score, type TempoUnit } from '../score';
import type { PlacedSection } from '../sections';
import {
  dayAfter,
  dayInWords,
  dayOf,
  ladderFor,
  ladderPlayer,
  tempoUnitOf,
  weekdayOf,
  type Assigned,
  type AssignmentEvent,
  type Day,
  type Ladder,
  type Piece,
  type Rung,
  type Student,
  type Zone,
} from '../studio';
import { barsInWords, firstBarOf } from '../way';
import { midSentence } from '../words';
import { boxesADay } from './boxes-a-day';
import { tellingFor, type Telling } from './child-words';

/** One step of a task: what to do, how often and how fast, and when it is done. */
export interface SheetStep {
  readonly what: string;
  /** `3 times at 66`; empty where nothing is said. */
  readonly how: string;
  readonly done: string;
}

/** Which bars of which piece are printed; indexes, both included. */
export interface SheetExcerpt {
  readonly key: string;
  readonly pieceId: string;
  readonly from: number;
  readonly to: number;
  /** The place is to be found there: where the hand goes is shown beside it. */
  readonly place: boolean;
  /** Several tasks share it, and not all of them are about all of it: its bars are to be told apart. */
  readonly numbered: boolean;
}

export interface SheetTask {
  readonly itemId: string;
  /** From 1, in the order in which a day goes. */
  readonly number: number;
  readonly title: string;
  readonly steps: readonly SheetStep[];
  readonly cue: string;
  /** Days of the week, 0 Monday to 6 Sunday, and boxes on each. */
  readonly days: readonly number[];
  readonly boxes: number;
  readonly minutes: number;
  readonly byMidweek: boolean;
  /** It goes already, and is only run through. */
  readonly isRun: boolean;
  /** An exercise that was made here: nobody has it in a book. */
  readonly isOwn: boolean;
  /** The music it is about: printed here, or with the task that has the same; null where there is none. */
  readonly excerpt: { readonly key: string; readonly withTask: number } | null;
}

/** Everything that stands on the sheet of a week, but the drawings. */
export interface WeekSheet {
  readonly student: string;
  /** The first day of the week, and its seven weekdays in order. */
  readonly from: Day;
  readonly weekdays: readonly number[];
  /** `week of 24 November`. */
  readonly week: string;
  /** `20 minutes a day`; empty where nobody said. */
  readonly minutes: string;
  /** The day of the next lesson in words, where lessons come every week. */
  readonly nextLesson: string | null;
  readonly cue: string;
  readonly tasks: readonly SheetTask[];
  readonly excerpts: readonly SheetExcerpt[];
  /** What is to be listened to. */
  readonly listening: readonly string[];
  readonly cautions: readonly string[];
}

/** A piece of the week: its score and its sections where they stand. */
export interface SheetPiece {
  readonly piece: Piece;
  readonly score: Score;
  readonly places: readonly PlacedSection[];
}

export interface SheetRequest {
  readonly student: Student;
  readonly assignment: AssignmentEvent;
  readonly pieces: ReadonlyMap<string, SheetPiece>;
  readonly ladders: readonly Ladder[];
  /** Days of the lessons so far. */
  readonly lessonDays: readonly Day[];
  readonly zone: Zone;
}

const WEEK = 7;
/** Steps of a task that are said one by one. */
const MOST_STEPS = 4;
const times = (n: number): string => (n === 1 ? 'once' : n === 2 ? 'twice' : `${n} times`);

/** `3 times at 66`, `from 55 to 96`. */
function howOf(rung: Pick<Rung, 'times' | 'tempo' | 'tempoTo'>, tempo: number | null, unit: TempoUnit): string {
  const at = tempo ?? rung.tempo;
  if (at !== null && rung.tempoTo !== null && rung.tempoTo > at)
    return `from ${inBeats(at, unit)} to ${inBeats(rung.tempoTo, unit)}`;
  return `${times(rung.times)}${at === null ? '' : ` at ${inBeats(at, unit)}`}`;
}

/** What a task is about, as far as it is known. */
export interface TaskAbout {
  readonly item: Assigned;
  readonly of: SheetPiece | null;
  readonly place: PlacedSection | null;
  /** The rungs it asks for, in their order. */
  readonly rungs: readonly Rung[];
  /** Bars, both included; null where no music belongs to it. */
  readonly bars: readonly [number, number] | null;
}

/** The bars that some rungs are of, where each says its own; else all of the place. */
function barsOf({ score }: SheetPiece, { from, to }: PlacedSection, rungs: readonly Rung[]): readonly [number, number] {
  const at = (id: string): number => score.bars.findIndex((b) => b.id === id);
  const own = rungs.flatMap((r) => (r.bars ? [[at(r.bars[0]), at(r.bars[1])] as const] : []));
  if (own.length === 0 || own.length < rungs.length || own.some(([a, b]) => a < 0 || b < a)) return [from, to];
  return [Math.min(...own.map(([a]) => a)), Math.max(...own.map(([, b]) => b))];
}

function aboutOf({ student, pieces, ladders }: SheetRequest, item: Assigned): TaskAbout {
  const of = item.pieceId === null ? null : (pieces.get(item.pieceId) ?? null);
  const place = of?.places.find((p) => p.section.id === item.sectionId) ?? null;
  if (!of || !place) return { item, of, place: null, rungs: [], bars: null };
  const ladder = ladderFor(ladders, place.section.id, ladderPlayer(of.piece, student), student.id);
  const rungs = taskRungs(item.what, ladder?.rungs ?? []);
  return { item, of, place, rungs, bars: barsOf(of, place, rungs) };
}

/**
 * The tasks of a week in the order in which a day goes, with what they are about.
 *
 * @example tasksAbout(asked('2026-11-24')).map((t) => t.item.what) // → ['bars 1–4']
 */
export const tasksAbout = (request: SheetRequest): readonly TaskAbout[] =>
  inOrderOfDay(request.assignment.items).map((item) => aboutOf(request, item));

/** `Lamps Along the Quay, bars 9–12`; the piece alone where it is all of it. An upbeat is in the bar before. */
function whereOf({ piece, score }: SheetPiece, place: PlacedSection, [from, to]: readonly [number, number]): string {
  const isAll = from === 0 && to === score.bars.length - 1;
  const first = from === place.from && to === place.to ? firstBarOf(place) : from;
  return isAll ? piece.title : `${piece.title}, ${barsInWords(score, [first, to])}`;
}

/** What stands behind the first colon, where a task says what of before it. */
const saidAfterPlace = (what: string): string => what.split(': ').slice(1).join(': ');

function titleOf({ item, of, place, rungs, bars }: TaskAbout, tell: Telling): string {
  const [only] = rungs;
  if (!of || !place || !bars) return tell(item.what);
  const where = whereOf(of, place, bars);
  if (only && rungs.length === 1) return `${where}: ${tell(only.what)}`;
  if (only) return where;
  const said = saidAfterPlace(item.what);
  return said === '' ? tell(item.what) : `${where}: ${tell(said)}`;
}

function stepsOf({ item, of, rungs }: TaskAbout, tell: Telling): readonly SheetStep[] {
  const unit = tempoUnitOf(of?.piece);
  if (rungs.length === 0)
    return item.tempo === null ? [] : [{ what: '', how: `at ${inBeats(item.tempo, unit)}`, done: '' }];
  // A long way is said by its beginning and its end: nobody reads ten steps at the instrument.
  const told = rungs.length > MOST_STEPS ? [...rungs.slice(0, MOST_STEPS - 1), ...rungs.slice(-1)] : rungs;
  const onTo = (i: number): string => (told.length < rungs.length && i === told.length - 1 ? 'Then on, up to: ' : '');
  return told.map((rung, i) => ({
    what: rungs.length === 1 ? '' : `${onTo(i)}${tell(rung.what)}`,
    how: howOf(rung, i === 0 ? item.tempo : null, unit),
    done: midSentence(tell(rung.done)),
  }));
}

/** Bars in which a beginning is found lie under the eyes of who finds it. */
const isToBeFound = (rungs: readonly Rung[]): boolean =>
  rungs.some((r) => r.kind === 'posture' || r.kind === 'starting-point');

/** Only runs are asked for: the music is known. */
const isRun = ({ item, rungs }: TaskAbout): boolean =>
  item.kind === 'check' || (rungs.length > 0 && rungs.every((r) => r.kind === 'run' || r.kind === 'perform'));

interface Print {
  readonly pieceId: string;
  readonly from: number;
  readonly to: number;
}

/** Inside or around: the music of one holds that of the other. */
const holds = (a: Print, b: Print): boolean => a.pieceId === b.pieceId && a.from <= b.from && a.to >= b.to;

/** Bars that are printed in one where tasks overlap: more would not be seen at one look. */
const MOST_SHARED = 8;

/** Both in one. */
const around = (a: Print, b: Print): Print => ({ ...a, from: Math.min(a.from, b.from), to: Math.max(a.to, b.to) });

/** They are printed once: one holds the other, or they overlap and are short. */
function isShared(a: Print, b: Print): boolean {
  if (holds(a, b) || holds(b, a)) return true;
  const { from, to } = around(a, b);
  return a.pieceId === b.pieceId && a.from <= b.to && b.from <= a.to && to - from < MOST_SHARED;
}

/** Prints of which none shares bars with another that could be printed in one with it. */
function sharedOnce(prints: readonly Print[]): readonly Print[] {
  for (const [i, a] of prints.entries()) {
    const b = prints.slice(i + 1).find((o) => isShared(a, o));
    if (b) return sharedOnce([around(a, b), ...prints.filter((p) => p !== a && p !== b)]);
  }
  return prints;
}

/** The bars that a task is about. */
const ownBars = ({ item, bars }: TaskAbout): Print | null =>
  bars && item.pieceId !== null ? { pieceId: item.pieceId, from: bars[0], to: bars[1] } : null;

/** The music of each task; where tasks share bars it is printed once, at the first of them. */
function shareMusic(abouts: readonly TaskAbout[]): readonly (Print | null)[] {
  const own = abouts.map(ownBars);
  const printed = sharedOnce(own.filter((p) => p !== null));
  return own.map((p) => (p ? (printed.find((o) => holds(o, p)) ?? p) : null));
}

const keyOf = ({ pieceId, from, to }: Print): string => `${pieceId} ${from} ${to}`;

/** `20 minutes a day`, or from the shortest day to the longest. */
function minutesInWords(minutesPerDay: readonly number[]): string {
  const days = minutesPerDay.filter((m) => m > 0);
  if (days.length === 0) return '';
  const [least, most] = [Math.min(...days), Math.max(...days)];
  return `${least === most ? most : `${least} to ${most}`} minutes a day`;
}

/** In a week, where the lesson before was a week ago. */
function nextLessonAfter(from: Day, lessonDays: readonly Day[]): Day | null {
  const before = lessonDays.filter((d) => d < from).sort();
  return before[before.length - 1] === dayAfter(from, -WEEK) ? dayAfter(from, WEEK) : null;
}

const withoutYear = (words: string): string => words.replace(/ \d{4}$/, '');

/**
 * What a week is called, by its first day.
 *
 * @example weekName('2026-11-24') // → 'week of 24 November'
 */
export const weekName = (from: Day): string => `week of ${withoutYear(dayInWords(from).split(' ').slice(1).join(' '))}`;

/** The cautions that the week gives reason for, and the one that always stands there. */
function cautionsOf(abouts: readonly TaskAbout[]): readonly string[] {
  const more = abouts.flatMap(({ of, rungs }) => {
    const { breathes } = instrumentOf(of?.piece.instrument ?? 'other');
    const wind = breathes && rungs.some((r) => r.kind === 'breath');
    return cautionsFor(rungs, { wind, stretch: false, notesPerSecond: 0 }).filter((c) => /Dizzy|loud/.test(c));
  });
  return ['Hurts? Stop and rest, and tell someone. A pause of five minutes in every 25.', ...new Set(more)];
}

/**
 * The sheet of a week in words: tasks in the order in which a day goes, each with its steps, its boxes and the bars it
 * is about; tasks on the same bars share them.
 *
 * @example weekSheet(asked('2026-11-24')).week // → 'week of 24 November'
 */
export function weekSheet(request: SheetRequest): WeekSheet {
  const { student, assignment, lessonDays, zone } = request;
  const tell = tellingFor(student);
  const from = dayOf(assignment.at, zone);
  const abouts = tasksAbout(request);
  const prints = shareMusic(abouts);
  const first = new Map<string, number>();
  prints.forEach((p, i) => {
    if (p && !first.has(keyOf(p))) first.set(keyOf(p), i);
  });
  const next = nextLessonAfter(from, lessonDays);
  return {
    student: student.name,
    from,
    weekdays: Array.from({ length: WEEK }, (_, i) => (weekdayOf(from) + i) % WEEK),
    week: weekName(from),
    minutes: minutesInWords(student.minutesPerDay),
    nextLesson: next === null ? null : withoutYear(dayInWords(next)),
    cue: assignment.cue,
    tasks: abouts.map((about, i) => {
      const print = prints[i];
      return {
        itemId: about.item.id,
        number: i + 1,
        title: titleOf(about, tell),
        steps: stepsOf(about, tell),
        cue: about.item.cue,
        days: about.item.days,
        boxes: boxesADay(about.item),
        minutes: about.item.minutes,
        byMidweek: about.item.by === 'midweek',
        isRun: isRun(about),
        isOwn: about.of?.piece.exercise !== undefined,
        excerpt: print ? { key: keyOf(print), withTask: (first.get(keyOf(print)) ?? i) + 1 } : null,
      };
    }),
    excerpts: [...first].flatMap(([key, i]) => {
      const print = prints[i];
      const those = abouts.filter((_, k) => prints[k] && keyOf(prints[k]) === key);
      if (!print) return [];
      return [
        {
          key,
          ...print,
          place: those.some((a) => isToBeFound(a.rungs)),
          numbered: those.some(({ bars }) => bars?.[0] !== print.from || bars[1] !== print.to),
        },
      ];
    }),
    listening: abouts.flatMap(({ of, rungs, item }) =>
      rungs.some((r) => r.kind === 'listen' || r.kind === 'partner') ? [of?.piece.title ?? item.what] : [],
    ),
    cautions: cautionsOf(abouts),
  };
}
