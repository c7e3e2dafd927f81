import { analysisOf } from '../../analysis';
import { usualPlayer } from '../../players';
import { buildLadder, describeCopy, type CopyOf, type StudentLevel } from '../../ladder';
import type { PlacedSection } from '../../sections';
import type { Score } from '../../score';
import { ladderId, type Ladder, type Mark, type Piece, type Rung, type Teaching } from '../../studio';
import type { RowToPut } from '../command';

/** What building a ladder looks at besides what is stored. */
export interface LadderSetting {
  readonly score: Score;
  /** How it is taught to whom it is built for. */
  readonly teaching: Teaching;
  readonly level: StudentLevel;
}

/** What a linked section is a copy of; null for one that is not linked. */
function copyOf(score: Score, all: readonly PlacedSection[], placed: PlacedSection): CopyOf | null {
  const model = all.find((p) => p.section.id === placed.section.likeId);
  return model
    ? describeCopy(score, model.section.letter || model.section.name, [model.from, model.to], [placed.from, placed.to])
    : null;
}

/** The rungs a section comes to, before any change of the teacher's. */
export function builtRungs(
  piece: Piece,
  placed: PlacedSection,
  all: readonly PlacedSection[],
  marks: readonly Mark[],
  { score, teaching, level }: LadderSetting,
  targetTempo: number | null = piece.targetTempo,
): Rung[] {
  return buildLadder({
    score,
    from: placed.from,
    to: placed.to,
    instrument: piece.instrument,
    targetTempo,
    teaching,
    level,
    marks,
    copyOf: copyOf(score, all, placed),
    difficulties: analysisOf(score, usualPlayer(score, piece.instrument)).difficulties,
    sectionId: placed.section.id,
  });
}

/** The ladder of a section as it is kept. */
export const ladderRow = (
  section: { readonly id: string; readonly pieceId: string },
  rungs: readonly Rung[],
  removed: readonly string[] = [],
): RowToPut<'ladders'> => ({
  id: ladderId(section.id),
  sectionId: section.id,
  pieceId: section.pieceId,
  rungs: [...rungs],
  ...(removed.length > 0 ? { removed: [...new Set(removed)] } : {}),
});

export const ladderOf = (ladders: readonly Ladder[], sectionId: string): Ladder | null =>
  ladders.find((l) => l.sectionId === sectionId) ?? null;
