import { ok } from '../../result';
import { markId, type NoteMark } from '../../studio';
import { command, put, remove, type RowToPut } from '../command';
import { gone } from '../refusals';

export interface PlaceMark {
  readonly markId: string;
  readonly noteId: string;
}

/** A mark whose note is not in this edition goes to another note. */
export const placeMark = command({
  asks: ({ markId: id }: PlaceMark) => ({ marks: { ids: [id] } }),
  run: (stored, { noteId }: PlaceMark) => {
    const [mark] = stored.marks;
    if (!mark || !('noteId' in mark)) return gone('mark');
    const moved = { ...mark, noteId } as NoteMark;
    const id = markId(moved);
    const there = put('marks', { ...moved, id } as RowToPut<'marks'>);
    return ok({ label: 'mark placed', changes: id === mark.id ? [there] : [remove('marks', mark.id), there] });
  },
});
