import { ok } from '../../result';
import { markId, type NewMark } from '../../studio';
import { command, remove } from '../command';

export interface TakeMarks {
  /** The places: what the marks say does not matter. */
  readonly marks: readonly NewMark[];
  readonly label: string;
}

/** Takes away the marks at some places; where there is none, nothing happens. */
export const takeMarks = command({
  asks: ({ marks }: TakeMarks) => ({ marks: { ids: marks.map(markId) } }),
  run: (stored, { label }: TakeMarks) => ok({ label, changes: stored.marks.map((m) => remove('marks', m.id)) }),
});
