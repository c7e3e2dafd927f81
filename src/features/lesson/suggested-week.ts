import {
  exerciseCandidates,
  EXERCISES,
  fillTray,
  MOST_RISE,
  studyCandidates,
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
import { dayAfter, isTechnique, playerFor, weekdayOf, type Assigned, type Day, type Piece } from '@/core/studio';
import { dayWords } from '@/ui';
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

/** What of the technique comes first: changes of chords of the pieces, then studies, then exercises. */
const techniqueRank = (c: Candidate, exercises: readonly Candidate[]): number =>
  exercises.includes(c) ? 2 : c.key.startsWith('technique ') ? 0 : 1;

/** Not more technique than a week bears, and none twice; what is too much for it. */
function fewExercises(
  candidates: readonly Candidate[],
  exercises: readonly Candidate[],
  level: WayWeek['level'],
): { readonly kept: readonly Candidate[]; readonly tooMany: readonly Candidate[] } {
  const technique = [...candidates, ...exercises]
    .filter((c) => c.kind === 'technique')
    .sort((a, b) => techniqueRank(a, exercises) - techniqueRank(b, exercises));
  const each = technique.filter((c, i) => technique.findIndex((d) => d.key === c.key) === i);
  return {
    kept: [...each.slice(0, EXERCISES[level]), ...candidates.filter((c) => c.kind !== 'technique')],
    tooMany: each.slice(EXERCISES[level]),
  };
}

/** The pieces as their player reads them, for what they ask of the hands. */
const asExercised = ({ student, pieces }: LessonModel, scores: ReadonlyMap<string, Score>): readonly ExercisedPiece[] =>
  pieces.flatMap((piece) => {
    const score = scores.get(piece.id);
    if (!score || isTechnique(piece)) return [];
    const player = playerFor(score, piece, student);
    return [{ title: piece.title, score: playedBy(score, player), instrument: player.instrument ?? piece.instrument }];
  });

/** A week that could be given, with the exercises in it that are to be made first. */
export interface SuggestedWeek extends Tray {
  readonly toMake: readonly ExerciseToMake[];
}

/** What of one piece could go into the week, and what comes later. */
function ofPiece(
  model: LessonModel,
  piece: Piece,
  score: Score,
  week: WayWeek,
  about: About,
): { readonly candidates: readonly Candidate[]; readonly later: Tray['leftOut'] } {
  const start = model.student.starts?.[piece.id];
  if (start !== undefined && start > dayAfter(about.today, LAST_DAY)) {
    const why = `begins on ${dayWords(start)}`;
    return { candidates: [], later: [{ key: `later ${piece.id}`, what: piece.title, minutes: 0, why }] };
  }
  const places = model.wayOf(piece);
  const ladders = model.ladders.filter((l) => l.pieceId === piece.id);
  if (places === null) {
    const sections = placeSections(
      score,
      model.sections.filter((s) => s.pieceId === piece.id && isSection(s)),
    );
    const work = [{ piece, score, sections, ladders }];
    const candidates = weekCandidates(work, model.standings, model.student.id, about.now, about.overhead);
    return { candidates, later: [] };
  }
  const of = wayCandidates({ piece, score, places, ladders }, week);
  return {
    candidates: of.candidates,
    later: of.later.map((l) => ({
      key: `later ${l.what}`,
      what: l.what,
      minutes: l.minutes,
      why: `in about week ${l.week}`,
    })),
  };
}

/**
 * The week as it would be filled: the next stretch of the way of each piece; where a piece has no way yet, the next
 * rungs of its sections. What comes after it is named with its week.
 */
export function suggestedWeek(model: LessonModel, scores: ReadonlyMap<string, Score>, about: About): SuggestedWeek {
  const { student, pieces, standings } = model;
  const level = student.level ?? 'intermediate';
  const music = Math.max(1, pieces.filter((p) => !isTechnique(p)).length);
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
    { ...week, studies: pieces.filter((p) => p.study).length },
  );
  pieces.forEach((piece, order) => {
    const score = scores.get(piece.id);
    if (!score || piece.exercise) return;
    const of = ofPiece(model, piece, score, week, about);
    const mine = piece.study ? studyCandidates(of.candidates) : of.candidates;
    // The first piece of a student comes first; each further one a little behind.
    candidates.push(...mine.map((c) => ({ ...c, weight: c.weight - order })));
    later.push(...of.later);
  });
  const { kept, tooMany } = fewExercises(candidates, exercises.candidates, level);
  later.push(
    ...tooMany.map(({ key, what, minutes, days }) => ({
      key,
      what,
      minutes: minutes * days,
      why: 'technique enough for a week',
    })),
  );
  const tray = fillTray(kept, student.minutesPerDay, {
    mostInWeek: about.before > 0 ? about.before * MOST_RISE : Infinity,
    mostTasks: TASKS_A_WEEK[level],
    firstDay: weekdayOf(dayAfter(about.today, 1)),
  });
  return {
    ...tray,
    toMake: exercises.toMake,
    leftOut: [
      ...tray.leftOut.map((l) => ({ ...l, why: l.why.startsWith('no day') ? `${l.why}, so next week` : l.why })),
      ...later,
    ],
  };
}
