import { ok } from '../../result';
import { markId, type NewMark } from '../../studio';
import { command, put, type RowToPut } from '../command';

export interface PutMarks {
  readonly marks: readonly NewMark[];
  readonly label: string;
  readonly says?: string;
}

/** Puts marks at their places; one of the same kind at a place takes the place of the one before it. */
export const putMarks = command({
  asks: () => ({}),
  run: (_stored, { marks, label, says }: PutMarks) => {
    // Two of one kind at one place are one: the later one.
    const byPlace = new Map(marks.map((m) => [markId(m), m]));
    return ok({
      label,
      changes: [...byPlace].map(([id, m]) => put('marks', { ...m, id } as RowToPut<'marks'>)),
      ...(says === undefined ? {} : { says }),
    });
  },
});
