import { mergeLadder } from '../../ladder';
import { ok } from '../../result';
import { placeSections } from '../../sections';
import { clampTempo, ladderFor, type Piece, type Student } from '../../studio';
import { command, put, type RowChange } from '../command';
import { gone } from '../refusals';
import { conflictsInWords } from './build-ladders';
import { builtRungs, ladderRow, ownerOf, type LadderSetting } from './ladder-context';

export interface SetTarget extends LadderSetting {
  readonly pieceId: string;
  /** Quarters a minute; null takes the piece's own. */
  readonly targetTempo: number | null;
}

/** Where the target is kept: with the piece, or with the student it is for. */
function targetKept(piece: Piece, student: Student | null, target: number | null): RowChange {
  if (student === null) return put('pieces', { ...piece, targetTempo: target });
  const { [piece.id]: _, ...others } = student.tempos ?? {};
  return put('students', { ...student, tempos: target === null ? others : { ...others, [piece.id]: target } });
}

/**
 * Another target for the piece, or for one student of it: every ladder of theirs follows, the teacher's own tempos
 * stay.
 */
export const setTarget = command({
  asks: ({ pieceId, student = null }: SetTarget) => ({
    pieces: { ids: [pieceId] },
    students: { ids: student ? [student.id] : [] },
    sections: { pieceId },
    ladders: { pieceId },
    marks: { pieceId },
  }),
  run: (stored, { targetTempo, ...setting }: SetTarget) => {
    const [piece] = stored.pieces;
    if (!piece) return gone('piece');
    const [student = null] = stored.students;
    if (setting.student && !student) return gone('student');
    const owner = ownerOf(piece, setting);
    const target = targetTempo === null ? null : clampTempo(targetTempo);
    const aim = target ?? (student ? piece.targetTempo : null);
    const all = placeSections(setting.score, stored.sections);
    const merges = all.flatMap((p) => {
      const ladder = ladderFor(stored.ladders, p.section.id, owner.player, owner.studentId);
      if (!ladder) return [];
      const merged = mergeLadder(
        ladder.rungs,
        ladder.removed ?? [],
        builtRungs(piece, p, all, stored.marks, setting, aim),
      );
      return [{ placed: p, removed: ladder.removed ?? [], merged }];
    });
    const conflicts = merges.flatMap((m) => m.merged.conflicts);
    return ok({
      label: `${target === null ? `target as ${student ? 'of the piece' : 'printed'}` : `target ${target}`}${student ? ` for ${student.name}` : ''}`,
      changes: [
        targetKept(piece, student, target),
        ...merges.map((m) => put('ladders', ladderRow(m.placed.section, m.merged.rungs, m.removed, owner))),
      ],
      ...(conflicts.length > 0
        ? { warns: `You and the new build changed the same; yours stays: ${conflictsInWords(conflicts)}.` }
        : {}),
    });
  },
});
