import { exerciseName } from '../../exercise';
import { heldEvents } from '../../mastery';
import { MOST, type Student, type StudioEvent } from '../../studio';
import { fail, ok } from '../../result';
import { command, put } from '../command';
import { gone } from '../refusals';
import { exerciseRows, idsOf, type NewExercise } from './exercise-rows';

export interface AddExercise extends NewExercise {
  /** Who works on it from now on; nobody yet where none is named. */
  readonly studentId: string | null;
}

/**
 * A student who works on an exercise, in front of the pieces: those put down, else those that were met. Where neither
 * is known the pieces in work stay whatever is heard or given.
 */
export function withExercise(student: Student, pieceId: string, met?: readonly string[]): Student {
  const before = student.pieceIds ?? met;
  return before === undefined || before.includes(pieceId)
    ? student
    : { ...student, pieceIds: [pieceId, ...before].slice(0, MOST.piecesOfStudent) };
}

/** Pieces that a student was heard on or given, in the order in which they were met. */
const metPieces = (events: readonly StudioEvent[]): readonly string[] => [
  ...new Set(
    heldEvents(events).flatMap((e) =>
      e.kind === 'level' ? [e.pieceId] : e.kind === 'assignment' ? e.items.flatMap((i) => i.pieceId ?? []) : [],
    ),
  ),
];

/** Makes a technique exercise with its music and its ladder, or takes the one there is, for some students. */
export const addExercise = command({
  asks: (args: AddExercise) => ({
    pieces: { ids: [idsOf(args).pieceId] },
    students: { ids: args.studentId === null ? [] : [args.studentId] },
    events: { studentId: args.studentId ?? '', kinds: ['level', 'assignment'] },
  }),
  run: (stored, { studentId, ...made }: AddExercise, moment) => {
    const { pieceId } = idsOf(made);
    const isThere = stored.pieces.length > 0;
    if (studentId !== null && stored.students.length === 0) return gone('student');
    const fresh = isThere ? ok([]) : exerciseRows(made, moment);
    if (!fresh.ok) return fresh;
    const met = metPieces(stored.events);
    const given = stored.students.map((s) => withExercise(s, pieceId, met)).filter((s) => !stored.students.includes(s));
    const name = exerciseName(made.exercise);
    if (isThere && given.length === 0) return fail('exercise-there', `${name} is on the shelf already.`);
    return ok({
      label: `${name} added`,
      changes: [...fresh.value, ...given.map((s) => put('students', s))],
      says: `${name} is on the shelf${stored.students.length > 0 ? `, for ${stored.students.map((s) => s.name).join(', ')}` : ''}.`,
      made: pieceId,
    });
  },
});
