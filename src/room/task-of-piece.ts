import { drillRule } from '@/core/drill';
import { instrumentOf } from '@/core/instruments';
import { cautionsFor, startingPoints, targetTempoFor } from '@/core/ladder';
import { usualStyle } from '@/core/ornaments';
import {
  countingWay,
  FULL_FINGERING,
  marksFor,
  teachingFor,
  tempoUnitOf,
  type Assigned,
  type Mark,
  type Rung,
  type Settings,
  type Student,
} from '@/core/studio';
import { namedBar } from './named-bar';
import type { Range, RoomTask, Way } from './room-task';
import { sayingsOf } from './said-here';
import { backingsOf, familyIn, soundedMusic, taskSound, voicesOf, type SoundPlaces } from './task-sound';
import type { TaskContext } from './task-context';

/** Bars between two places to begin from inside a chunk. */
const EVERY = 2;

/** The way in which a rung is practised, where it has one of its own. */
const WAY_OF: Readonly<Partial<Record<Rung['kind'], Way>>> = {
  tap: 'tap',
  'play-and-say': 'say',
  words: 'say',
  partner: 'lines',
  'starting-point': 'place',
  eyes: 'ahead',
  breath: 'breathe',
};

/** Where one can begin: sections, chunks, and every second bar of what is practised. */
function startsIn({ score, places }: TaskContext, [from, to]: readonly [number, number]): readonly number[] {
  const points = startingPoints(
    score,
    places.map((p) => ({ from: p.from, name: p.section.name })),
    [],
  ).map((p) => p.bar);
  const inside = Array.from({ length: Math.ceil((to - from + 1) / EVERY) }, (_, i) => from + i * EVERY);
  return [...new Set([...points, ...inside])].sort((a, b) => a - b);
}

/** Bars in which a line ends: chunks of the way, and phrase ends the teacher marked. */
function lineEnds({ played, places }: TaskContext, marks: readonly Mark[]): readonly number[] {
  const barOf = new Map(played.notes.map((n) => [n.id, n.bar as number]));
  return [
    ...places.map((p) => p.to),
    ...marks.flatMap((m) => (m.kind === 'phrase' ? [barOf.get(m.noteId) ?? -1] : [])),
  ];
}

/** Notes behind which one breathes: as printed, and as the teacher or the student has it. */
function breathsAfter({ played }: TaskContext, marks: readonly Mark[]): ReadonlySet<string> {
  return new Set([
    ...played.notes.filter((n) => n.marks.articulations.includes('breath-mark')).map((n) => n.id),
    ...marks.flatMap((m) => (m.kind === 'breath' ? [m.noteId] : [])),
  ]);
}

/** The rung of a task that comes next, and its place among those that the task asks for. */
export interface RungOfTask {
  readonly rung: Rung;
  /** From 1. */
  readonly step: number;
  readonly of: number;
}

/** One task, and everything that is known of it. */
export interface AboutTask {
  readonly student: Student;
  readonly item: Assigned;
  /** What is to be thought of where the task itself says nothing. */
  readonly cue: string;
  readonly context: TaskContext;
  readonly about: RungOfTask | null;
  readonly marks: readonly Mark[];
  readonly settings: Settings | null;
}

const rangeOf = ({ place, score }: TaskContext): Range => (place ? [place.from, place.to] : [0, score.bars.length - 1]);

/** What the sound of a task follows, besides its notes. */
export function soundPlaces({
  student,
  context,
  marks,
  settings,
}: Pick<AboutTask, 'student' | 'context' | 'marks' | 'settings'>): SoundPlaces {
  const { piece } = context;
  const teaching = teachingFor(piece.teaching, student.teaching, settings?.teaching);
  return {
    phraseEnds: lineEnds(context, marks),
    starts: startsIn(context, rangeOf(context)),
    beat: tempoUnitOf(piece).quarters,
    ornamentStyle: usualStyle(teaching.trills),
    ornamentStyles: new Map(marks.flatMap((m) => (m.kind === 'ornament' ? [[m.noteId, m.style] as const] : []))),
  };
}

/** One task of the day as the room takes it: everything that it needs to know of the piece. */
export function taskOfPiece({ student, item, cue, context, about, marks: every, settings }: AboutTask): RoomTask {
  const marks = marksFor(every, student);
  const { piece, score, played, player } = context;
  const rung = about?.rung ?? null;
  // "Tide, bars 1–2: Tap the rhythm …": what of stands before the colon.
  const [of = piece.title] = item.what.split(': ');
  const range = rangeOf(context);
  const teaching = teachingFor(piece.teaching, student.teaching, settings?.teaching);
  const unit = tempoUnitOf(piece);
  const target = targetTempoFor(piece, student, score, range[0]);
  const { breathes } = instrumentOf(player.instrument ?? piece.instrument);
  const staff = rung?.kind === 'left-alone' ? 2 : 1;
  const said = sayingsOf(
    { played, from: range[0], to: range[1], staff },
    marks,
    student.variants?.[piece.id] ?? FULL_FINGERING,
    countingWay(teaching),
  );
  const barLabel = (bar: number): string => score.bars[bar]?.name ?? String(bar + 1);
  const isLong = range[1] > range[0];
  const own = rung ? WAY_OF[rung.kind] : undefined;
  const sounded = soundedMusic(context);
  const places = soundPlaces({ student, context, marks, settings });
  const possible: readonly Way[] = [
    'play',
    ...(isLong ? (['lines', 'call'] as const) : []),
    ...(said.sayings.length > 0 ? (['say'] as const) : []),
    'ahead',
    ...(places.starts.length > 1 ? (['place'] as const) : []),
    ...(breathes ? (['breathe'] as const) : []),
    'tap',
  ];
  return {
    id: item.id,
    what: rung ? rung.what : item.what,
    of: rung ? `${of}${about && about.of > 1 ? `, step ${about.step} of ${about.of}` : ''}` : '',
    done: rung?.done ?? '',
    cue: item.cue || cue,
    caution: rung
      ? (cautionsFor([rung], { wind: breathes && rung.kind === 'breath', stretch: false, notesPerSecond: 0 })[0] ??
        null)
      : null,
    rule: drillRule(rung ? { ...rung, tempo: item.tempo ?? rung.tempo } : null, {
      usual: item.tempo ?? target,
      target,
      cap: student.caps?.[piece.id] ?? null,
      school: teaching.tempoSteps,
      unit,
      miss: teaching.moveOn === 'gate' ? 'gate' : 'gentle',
    }),
    target,
    unit,
    range,
    whole: [0, score.bars.length - 1],
    ways: own && possible.includes(own) ? [own, ...possible.filter((w) => w !== own)] : possible,
    voices: voicesOf(sounded, range),
    backings: backingsOf(sounded, range[0]),
    isSung: played.notes.some((n) => n.bar >= range[0] && n.bar <= range[1] && n.marks.lyrics.length > 0),
    starts: places.starts,
    ...said,
    breaths: breathsAfter(context, marks),
    breathLasts: student.breathSpanInSeconds,
    soundOf: (asked) => taskSound(sounded, marks, places, asked),
    familyOf: familyIn(sounded),
    barName: (bar) => namedBar(barLabel(bar)),
    barLabel,
  };
}
