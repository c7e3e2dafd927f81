import { ok } from '../../result';
import { command, put, remove, rowOf } from '../command';
import { gone } from '../refusals';

export interface RemoveSection {
  readonly pieceId: string;
  readonly sectionId: string;
}

/** Takes a section away with its ladder; what was like it or inside it stands for itself. Records stay. */
export const removeSection = command({
  asks: ({ pieceId }: RemoveSection) => ({ sections: { pieceId }, ladders: { pieceId }, standings: { pieceId } }),
  run: (stored, { sectionId }: RemoveSection) => {
    const section = rowOf(stored.sections, sectionId);
    if (!section) return gone('section');
    const heard = stored.standings.filter((s) => s.sectionId === sectionId && s.level !== null).length;
    return ok({
      label: `section ${section.letter} removed`,
      changes: [
        remove('sections', sectionId),
        ...stored.sections
          .filter((s) => s.likeId === sectionId || s.parentId === sectionId)
          .map((s) =>
            put('sections', {
              ...s,
              likeId: s.likeId === sectionId ? null : s.likeId,
              parentId: s.parentId === sectionId ? section.parentId : s.parentId,
            }),
          ),
        ...stored.ladders.filter((l) => l.sectionId === sectionId).map((l) => remove('ladders', l.id)),
      ],
      ...(heard > 0
        ? {
            says: `Section ${section.letter} is gone. What ${heard} ${heard === 1 ? 'student was' : 'students were'} heard on stays in the records; undo brings it back.`,
          }
        : {}),
    });
  },
});
