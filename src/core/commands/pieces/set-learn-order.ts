import { fail, ok } from '../../result';
import { command, put, rowOf } from '../command';
import { gone } from '../refusals';

export interface SetLearnOrder {
  readonly pieceId: string;
  readonly sectionId: string;
  readonly by: 1 | -1;
}

/** Moves a section in the teacher's own order of learning, from how the order is stored now. */
export const moveInLearnOrder = command({
  asks: ({ pieceId }: SetLearnOrder) => ({ pieces: { ids: [pieceId] }, sections: { pieceId } }),
  run: (stored, { sectionId, by }: SetLearnOrder) => {
    const [piece] = stored.pieces;
    if (!piece) return gone('piece');
    const written = [...stored.sections].sort((a, b) => a.order - b.order || (a.id < b.id ? -1 : 1)).map((s) => s.id);
    const own = (piece.learnOrder ?? []).filter((id) => rowOf(stored.sections, id));
    const ids = [...own, ...written.filter((id) => !own.includes(id))];
    const at = ids.indexOf(sectionId);
    const other = ids[at + by];
    if (at < 0) return gone('section');
    if (other === undefined) return fail('at-the-end', 'It stands at the end already.');
    const moved = ids.map((id, i) => (i === at ? other : i === at + by ? sectionId : id));
    return ok({ label: 'order of learning', changes: [put('pieces', { ...piece, learnOrder: moved })] });
  },
});
