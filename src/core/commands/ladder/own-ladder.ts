import { fail, ok } from '../../result';
import { placeSections } from '../../sections';
import { ladderFor } from '../../studio';
import { command, put, remove } from '../command';
import { gone } from '../refusals';
import { ladderRow, ownerOf, type LadderSetting } from './ladder-context';

export interface OwnLadder extends LadderSetting {
  readonly pieceId: string;
  readonly sectionId: string;
  /** Back to everyone's, or everyone's from now on. */
  readonly to: 'as-the-piece' | 'for-everyone';
}

/** Gives a student's own ladder up, or makes it everyone's. What was climbed stays climbed: rungs keep their ids. */
export const settleOwnLadder = command({
  asks: ({ pieceId, student = null }: OwnLadder) => ({
    pieces: { ids: [pieceId] },
    students: { ids: student ? [student.id] : [] },
    sections: { pieceId },
    ladders: { pieceId },
  }),
  run: (stored, { sectionId, to, ...setting }: OwnLadder) => {
    const [piece] = stored.pieces;
    const [student] = stored.students;
    const placed = placeSections(setting.score, stored.sections).find((p) => p.section.id === sectionId);
    if (!piece || !student || !placed) return gone('section');
    const { player, studentId } = ownerOf(piece, setting);
    const own = ladderFor(stored.ladders, sectionId, player, studentId);
    if (own?.studentId === undefined)
      return fail('no-own-ladder', `${student.name} climbs the ladder of everyone here already.`);
    return ok({
      label: to === 'as-the-piece' ? `${student.name}’s own ladder given up` : `${student.name}’s ladder for everyone`,
      changes: [
        ...(to === 'for-everyone'
          ? [put('ladders', ladderRow(placed.section, own.rungs, own.removed, { player }))]
          : []),
        remove('ladders', own.id),
      ],
    });
  },
});
