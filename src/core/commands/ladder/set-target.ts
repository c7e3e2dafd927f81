import { mergeLadder } from '../../ladder';
import { ok } from '../../result';
import { placeSections } from '../../sections';
import { clampTempo, ladderFor, ladderPlayer } from '../../studio';
import { command, put } from '../command';
import { gone } from '../refusals';
import { conflictsInWords } from './build-ladders';
import { builtRungs, ladderRow, type LadderSetting } from './ladder-context';

export interface SetTarget extends LadderSetting {
  readonly pieceId: string;
  /** Quarters a minute; null takes the piece's own. */
  readonly targetTempo: number | null;
}

/** Another target for the piece: every ladder follows it, the teacher's own tempos stay. */
export const setTarget = command({
  asks: ({ pieceId }: SetTarget) => ({
    pieces: { ids: [pieceId] },
    sections: { pieceId },
    ladders: { pieceId },
    marks: { pieceId },
  }),
  run: (stored, { targetTempo, ...setting }: SetTarget) => {
    const [piece] = stored.pieces;
    if (!piece) return gone('piece');
    const own = ladderPlayer(piece, setting.student ?? null);
    const target = targetTempo === null ? null : clampTempo(targetTempo);
    const all = placeSections(setting.score, stored.sections);
    const merges = all.flatMap((p) => {
      const ladder = ladderFor(stored.ladders, p.section.id, own);
      if (!ladder) return [];
      const merged = mergeLadder(
        ladder.rungs,
        ladder.removed ?? [],
        builtRungs(piece, p, all, stored.marks, setting, target),
      );
      return [{ placed: p, removed: ladder.removed ?? [], merged }];
    });
    const conflicts = merges.flatMap((m) => m.merged.conflicts);
    return ok({
      label: target === null ? 'target as printed' : `target ${target}`,
      changes: [
        put('pieces', { ...piece, targetTempo: target }),
        ...merges.map((m) => put('ladders', ladderRow(m.placed.section, m.merged.rungs, m.removed, own))),
      ],
      ...(conflicts.length > 0
        ? { warns: `You and the new build changed the same; yours stays: ${conflictsInWords(conflicts)}.` }
        : {}),
    });
  },
});
