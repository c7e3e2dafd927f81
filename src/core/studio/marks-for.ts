import type { Mark } from './kinds/marks';
import type { Student } from './schemas';

/**
 * The marks that a student sees: everyone's and the student's own; everyone's alone where it is nobody.
 *
 * @example marksFor([], null) // → []
 */
export const marksFor = (marks: readonly Mark[], student: Pick<Student, 'id'> | null): readonly Mark[] =>
  marks.filter((m) => m.studentId === null || m.studentId === student?.id);
