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
    return ok({
      label: 'mark placed',
      changes: [remove('marks', mark.id), put('marks', { ...moved, id: markId(moved) } as RowToPut<'marks'>)],
    });
  },
});
