import { exerciseName } from '../../exercise';
import { MOST, type Student } from '../../studio';
import { fail, ok } from '../../result';
import { command, put } from '../command';
import { gone } from '../refusals';
import { exerciseRows, idsOf, type NewExercise } from './exercise-rows';

export interface AddExercise extends NewExercise {
  /** Who works on it from now on; nobody yet where none is named. */
  readonly studentIds: readonly string[];
}

/** A student who works on an exercise, in front of the pieces; where these are whatever was heard, they stay so. */
export const withExercise = (student: Student, pieceId: string): Student =>
  student.pieceIds === undefined || student.pieceIds.includes(pieceId)
    ? student
    : { ...student, pieceIds: [pieceId, ...student.pieceIds].slice(0, MOST.piecesOfStudent) };

/** Makes a technique exercise with its music and its ladder, or takes the one there is, for some students. */
export const addExercise = command({
  asks: (args: AddExercise) => ({
    pieces: { ids: [idsOf(args).pieceId] },
    students: { ids: args.studentIds },
  }),
  run: (stored, { studentIds, ...made }: AddExercise, moment) => {
    const { pieceId } = idsOf(made);
    const isThere = stored.pieces.length > 0;
    if (stored.students.length < studentIds.length) return gone('student');
    const fresh = isThere ? ok([]) : exerciseRows(made, moment);
    if (!fresh.ok) return fresh;
    const given = stored.students.map((s) => withExercise(s, pieceId)).filter((s) => !stored.students.includes(s));
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
