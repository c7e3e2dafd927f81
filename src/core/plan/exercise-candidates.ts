import { exerciseName } from '../exercise';
import { EXERCISE_PACE, RUNGS, USUAL_OVERHEAD, type StudentLevel } from '../ladder';
import { standingKey, type FoldedStanding } from '../mastery';
import { exerciseIds, type Ladder, type Piece } from '../studio';
import { LEAVES_AT } from '../way';
import { midSentence } from '../words';
import { proposeExercises, type ExercisedPiece, type ProposedExercise } from './propose-exercises';
import type { Candidate } from './week-tray';

/** Exercises of a week: one is enough to begin with **[common practice]**. */
export const EXERCISES: Readonly<Record<StudentLevel, number>> = { beginner: 1, intermediate: 1, advanced: 2 };

export interface ExerciseWeek {
  readonly studentId: string;
  readonly standings: ReadonlyMap<string, FoldedStanding>;
  readonly level: StudentLevel;
  readonly overhead: number;
  /** Studies in work: each stands for an exercise. */
  readonly studies: number;
}

/** An exercise that is not there yet: what is proposed, and the ids it will have. */
export interface ExerciseToMake extends ProposedExercise {
  readonly pieceId: string;
  readonly sectionId: string;
}

/** First of all in every practice. */
const WEIGHT = 97;
const DAYS = 5;
/** Minutes each time: long enough to help, short enough to come first. Chosen by us. */
const MINUTES: readonly [number, number] = [2, 4];

const levelAt = ({ standings, studentId }: ExerciseWeek, sectionId: string): number =>
  standings.get(standingKey(studentId, sectionId))?.level ?? 0;

/** The next rung of an exercise that a student works on, on five days; null where it is known. */
function inWork(piece: Pick<Piece, 'id' | 'title'>, ladder: Ladder, week: ExerciseWeek, at: number): Candidate | null {
  const { sectionId } = ladder;
  if (levelAt(week, sectionId) >= LEAVES_AT.section) return null;
  const done = week.standings.get(standingKey(week.studentId, sectionId))?.rungsDone ?? [];
  const [rung, then] = ladder.rungs.filter((r) => !done.includes(r.id));
  const minutes = ((rung?.minutes ?? 4) * week.overhead) / USUAL_OVERHEAD / DAYS;
  const more = then ? `, then ${midSentence(then.what)}` : '';
  return {
    key: `technique ${sectionId}`,
    kind: 'technique',
    pieceId: piece.id,
    sectionId,
    what: `${piece.title}: ${rung ? `${rung.what}${more}` : 'once by heart'}`,
    tempo: rung?.tempo ?? null,
    minutes: Math.round(Math.max(MINUTES[0], Math.min(MINUTES[1], minutes))),
    days: DAYS,
    timesADay: rung && !RUNGS[rung.kind].once ? Math.max(1, Math.min(3, rung.times)) : 1,
    by: 'lesson',
    why: rung?.why ?? 'it comes first, so that the hands are warm',
    weight: WEIGHT - at,
  };
}

/** One that is proposed: nothing of it is there before the week is given. */
const toBegin = (made: ExerciseToMake, at: number): Candidate => ({
  key: `technique ${made.sectionId}`,
  kind: 'technique',
  pieceId: made.pieceId,
  sectionId: made.sectionId,
  what: `${exerciseName(made.exercise)}: say its notes, then slowly`,
  tempo: null,
  minutes: MINUTES[0],
  days: DAYS,
  timesADay: 2,
  by: 'lesson',
  why: made.why,
  weight: WEIGHT - at,
});

/**
 * Of the candidates of a study its next place, as the technique of the week; checks as of any piece.
 *
 * @example studyCandidates([task('bars 1–4', 3, 4)])[0].kind // → 'technique'
 */
export function studyCandidates(candidates: readonly Candidate[]): readonly Candidate[] {
  const next = candidates.find((c) => c.kind !== 'check' && c.inDay !== 'well' && c.inDay !== 'join');
  const checks = candidates.filter((c) => c.kind === 'check');
  return next ? [{ ...next, kind: 'technique', inDay: 'technique', days: DAYS, weight: WEIGHT }, ...checks] : checks;
}

/**
 * The technique exercises of a week: those that are worked on, and where there is room for one more, the one that the
 * pieces ask for next. What is known already, and what stands in the week, is not proposed again.
 *
 * @example
 * exerciseCandidates([], [], [],
 *   { studentId: 's', standings: new Map(), level: 'beginner', overhead: 5, studies: 0 }).candidates // → []
 */
export function exerciseCandidates(
  exercises: readonly Piece[],
  ladders: readonly Ladder[],
  pieces: readonly ExercisedPiece[],
  week: ExerciseWeek,
): { readonly candidates: readonly Candidate[]; readonly toMake: readonly ExerciseToMake[] } {
  const active = exercises.flatMap((piece, i) => {
    const ladder = ladders.find((l) => l.pieceId === piece.id);
    return (ladder && inWork(piece, ladder, week, i)) ?? [];
  });
  const room = EXERCISES[week.level] - active.length - week.studies;
  const met = new Set(exercises.map((p) => p.id));
  const toMake = proposeExercises(pieces, week.level)
    .map((p): ExerciseToMake => ({
      ...p,
      ...exerciseIds(p.instrument, p.exercise, EXERCISE_PACE[week.level].notesABeat),
    }))
    .filter((p) => !met.has(p.pieceId) && levelAt(week, p.sectionId) < LEAVES_AT.section)
    .slice(0, Math.max(0, room));
  return {
    candidates: [...active.slice(0, EXERCISES[week.level]), ...toMake.map((p, i) => toBegin(p, active.length + i))],
    toMake,
  };
}
