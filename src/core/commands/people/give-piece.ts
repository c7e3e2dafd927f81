import { fail, ok } from '../../result';
import { FULL_FINGERING, shortDay, type Day } from '../../studio';
import { command, put, rowOf } from '../command';
import { gone } from '../refusals';

export interface GivePiece {
  readonly pieceId: string;
  readonly to: readonly {
    readonly studentId: string;
    /** Which fingering of the piece is seen. */
    readonly variant: string;
    /** The day on which it is begun. */
    readonly start: Day;
  }[];
}

/** Puts a piece into the work of students, each with a variant of its fingering and a day to begin. */
export const givePiece = command({
  asks: ({ pieceId, to }: GivePiece) => ({
    pieces: { ids: [pieceId] },
    students: { ids: to.map((t) => t.studentId) },
  }),
  run: (stored, { pieceId, to }: GivePiece) => {
    const [piece] = stored.pieces;
    if (!piece) return gone('piece');
    if (to.length === 0) return fail('no-student', 'Tick for whom the piece is.');
    const rows = to.map((t) => ({ ...t, student: rowOf(stored.students, t.studentId) }));
    if (rows.some((r) => r.student === null)) return gone('student');
    const names = rows.flatMap((r) => r.student?.name ?? []);
    return ok({
      label: `${piece.title} for ${names.join(', ')}`,
      changes: rows.flatMap(({ student, variant, start }) => {
        if (!student) return [];
        const others = (student.pieceIds ?? []).filter((id) => id !== pieceId);
        return [
          put('students', {
            ...student,
            pieceIds: [...others, pieceId],
            starts: { ...student.starts, [pieceId]: start },
            ...(variant === FULL_FINGERING && student.variants?.[pieceId] === undefined
              ? {}
              : { variants: { ...student.variants, [pieceId]: variant } }),
          }),
        ];
      }),
      says: `${piece.title}: ${rows.map((r) => `${r.student?.name ?? ''} from ${shortDay(r.start)}`).join(', ')}.`,
    });
  },
});
