import {
  exerciseCandidates,
  EXERCISES,
  fillTray,
  MOST_RISE,
  wayCandidates,
  weekCandidates,
  type Candidate,
  type ExercisedPiece,
  type ExerciseToMake,
  type Tray,
  type WayWeek,
} from '@/core/plan';
import { playedBy } from '@/core/players';
import { isSection } from '@/core/way';
import { placeSections } from '@/core/sections';
import type { Score } from '@/core/score';
import { dayAfter, playerFor, shortDay, weekdayOf, type Assigned, type Day } from '@/core/studio';
import type { LessonModel } from './use-lesson';

/** A task of the tray as it is given. */
export const toAssigned = (c: Candidate & { readonly on: readonly number[] }): Assigned => ({
  id: c.key,
  kind: c.kind,
  pieceId: c.pieceId,
  sectionId: c.sectionId,
  what: c.what,
  tempo: c.tempo,
  minutes: c.minutes,
  days: [...c.on],
  timesADay: c.timesADay,
  by: c.by,
  cue: '',
  why: c.why,
});

/** Days from today to the last of the week. */
const LAST_DAY = 6;

interface About {
  readonly now: string;
  readonly today: Day;
  readonly overhead: number;
  /** Minutes of practice in the week, and those of the week before. */
  readonly available: number;
  readonly before: number;
}

/** Tasks of a week: four to six fit on a page and into a head; who practises for hours has room for more. */
const TASKS_A_WEEK: Readonly<Record<WayWeek['level'], number>> = { beginner: 5, intermediate: 6, advanced: 10 };

/** A piece goes on, whatever else there is. */
const LEAST_TASKS = 2;

/** Changes of chords first, then exercises, then other warm-ups: not more than a week bears, and none twice. */
function fewExercises(candidates: readonly Candidate[], level: WayWeek['level']): readonly Candidate[] {
  const technique = candidates.filter((c) => c.kind === 'technique');
  const kept = technique.filter((c, i) => technique.findIndex((d) => d.key === c.key) === i).slice(0, EXERCISES[level]);
  return candidates.filter((c) => c.kind !== 'technique' || kept.includes(c));
}

/** Technique of the ways is changes of chords. */
const isOfWay = (c: Candidate): boolean => c.kind === 'technique' && c.key.startsWith('technique ');
const chordChanges = (candidates: readonly Candidate[]): readonly Candidate[] => candidates.filter(isOfWay);
const others = (candidates: readonly Candidate[]): readonly Candidate[] => candidates.filter((c) => !isOfWay(c));

/** The pieces as their player reads them, for what they ask of the hands. */
const asExercised = ({ student, pieces }: LessonModel, scores: ReadonlyMap<string, Score>): readonly ExercisedPiece[] =>
  pieces.flatMap((piece) => {
    const score = scores.get(piece.id);
    if (!score || piece.exercise) return [];
    const player = playerFor(score, piece, student);
    return [{ title: piece.title, score: playedBy(score, player), instrument: player.instrument ?? piece.instrument }];
  });

/** A week that could be given, with the exercises in it that are to be made first. */
export interface SuggestedWeek extends Tray {
  readonly toMake: readonly ExerciseToMake[];
}

/**
 * The week as it would be filled: the next stretch of the way of each piece; where a piece has no way yet, the next
 * rungs of its sections. What comes after it is named with its week.
 */
export function suggestedWeek(model: LessonModel, scores: ReadonlyMap<string, Score>, about: About): SuggestedWeek {
  const { student, pieces, standings } = model;
  const level = student.level ?? 'intermediate';
  const music = Math.max(1, pieces.filter((p) => !p.exercise).length);
  const week: WayWeek = {
    studentId: student.id,
    standings,
    now: about.now,
    level,
    overhead: about.overhead,
    minutesAWeek: Math.max(1, about.available / music),
    tasks: Math.max(LEAST_TASKS, Math.floor((TASKS_A_WEEK[level] - EXERCISES[level]) / music)),
  };
  const candidates: Candidate[] = [];
  const later: Tray['leftOut'][number][] = [];
  const exercises = exerciseCandidates(
    pieces.filter((p) => p.exercise),
    model.ladders,
    asExercised(model, scores),
    week,
  );
  pieces.forEach((piece, order) => {
    const score = scores.get(piece.id);
    if (!score || piece.exercise) return;
    const start = student.starts?.[piece.id];
    if (start !== undefined && start > dayAfter(about.today, LAST_DAY)) {
      later.push({ key: `later ${piece.id}`, what: piece.title, minutes: 0, why: `begins on ${shortDay(start)}` });
      return;
    }
    const places = model.wayOf(piece);
    const ladders = model.ladders.filter((l) => l.pieceId === piece.id);
    if (places === null) {
      const sections = placeSections(
        score,
        model.sections.filter((s) => s.pieceId === piece.id && isSection(s)),
      );
      candidates.push(
        ...weekCandidates([{ piece, score, sections, ladders }], standings, student.id, about.now, about.overhead),
      );
      return;
    }
    const of = wayCandidates({ piece, score, places, ladders }, week);
    // The first piece of a student comes first; each further one a little behind.
    candidates.push(...of.candidates.map((c) => ({ ...c, weight: c.weight - order })));
    later.push(
      ...of.later.map((l) => ({
        key: `later ${l.what}`,
        what: l.what,
        minutes: l.minutes,
        why: `in about week ${l.week}`,
      })),
    );
  });
  const tray = fillTray(
    fewExercises([...chordChanges(candidates), ...exercises.candidates, ...others(candidates)], week.level),
    student.minutesPerDay,
    {
      mostInWeek: about.before > 0 ? about.before * MOST_RISE : Infinity,
      mostTasks: TASKS_A_WEEK[week.level],
      firstDay: weekdayOf(dayAfter(about.today, 1)),
    },
  );
  return {
    ...tray,
    toMake: exercises.toMake,
    leftOut: [
      ...tray.leftOut.map((l) => ({ ...l, why: l.why.startsWith('no day') ? `${l.why}, so next week` : l.why })),
      ...later,
    ],
  };
}
