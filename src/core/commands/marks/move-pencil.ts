import { ok } from '../../result';
import { markId, type PencilMark } from '../../studio';
import { command, put, remove, type RowToPut } from '../command';
import { gone } from '../refusals';

export interface MovePencil {
  readonly markId: string;
  readonly place: Pick<PencilMark, 'barId' | 'at' | 'side'>;
}

/** Moves what is written in pencil to another place of the page. */
export const movePencil = command({
  asks: ({ markId: id }: MovePencil) => ({ marks: { ids: [id] } }),
  run: (stored, { place }: MovePencil) => {
    const [mark] = stored.marks;
    if (mark?.kind !== 'pencil') return gone('mark');
    const moved = { ...mark, ...place };
    const id = markId(moved);
    const there = put('marks', { ...moved, id } as RowToPut<'marks'>);
    return ok({
      label: `“${mark.text}” moved`,
      changes: id === mark.id ? [there] : [remove('marks', mark.id), there],
    });
  },
});
