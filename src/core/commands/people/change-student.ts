import { instrumentFromWords } from '../../instruments';
import { ok } from '../../result';
import { answered, clampTempo, type Student, type TeachingAnswer } from '../../studio';
import { command, put } from '../command';
import { gone } from '../refusals';

export type StudentChange = Partial<
  Pick<
    Student,
    | 'name'
    | 'age'
    | 'level'
    | 'archived'
    | 'handSpanInSemitones'
    | 'breathSpanInSeconds'
    | 'lessonMinutes'
    | 'density'
    | 'pieceIds'
  >
> & {
  /** The instrument as the teacher writes it. */
  readonly instrument?: string;
  /** Minutes of one day of the week, 0 Monday. */
  readonly minutesOn?: readonly [weekday: number, minutes: number];
  /** One answer to how the student is taught. */
  readonly answer?: TeachingAnswer;
  /** Which variant of a piece's fingering is seen. */
  readonly variant?: readonly [pieceId: string, variant: string];
  /** The tempo in quarters a minute that a piece is not to go above for now; null for none. */
  readonly cap?: readonly [pieceId: string, tempo: number | null];
};

/** The caps with that of one piece as it is to be. */
function capped(
  caps: Student['caps'],
  [pieceId, tempo]: NonNullable<StudentChange['cap']>,
): NonNullable<Student['caps']> {
  const { [pieceId]: _, ...others } = caps ?? {};
  return tempo === null ? others : { ...others, [pieceId]: clampTempo(tempo) };
}

export interface ChangeStudent {
  readonly studentId: string;
  readonly change: StudentChange;
  readonly label: string;
}

/** Changes what is known of a student, from what is stored now. */
export const changeStudent = command({
  asks: ({ studentId }: ChangeStudent) => ({ students: { ids: [studentId] } }),
  run: (stored, { change, label }: ChangeStudent) => {
    const [student] = stored.students;
    if (!student) return gone('student');
    const { instrument, minutesOn, variant, answer, cap, ...fields } = change;
    const { instrumentWords: _, ...rest } = student;
    return ok({
      label,
      changes: [
        put('students', {
          ...(instrument === undefined ? student : { ...rest, ...instrumentFromWords(instrument) }),
          ...fields,
          ...(answer === undefined ? {} : { teaching: answered(student.teaching, answer) }),
          ...(minutesOn === undefined
            ? {}
            : { minutesPerDay: student.minutesPerDay.map((m, d) => (d === minutesOn[0] ? minutesOn[1] : m)) }),
          ...(cap === undefined ? {} : { caps: capped(student.caps, cap) }),
          ...(variant === undefined ? {} : { variants: { ...student.variants, [variant[0]]: variant[1] } }),
        }),
      ],
    });
  },
});
