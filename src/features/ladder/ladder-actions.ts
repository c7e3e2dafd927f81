import {
  buildLadders,
  changeRungs,
  changeStudent,
  keepTemplate,
  setTarget,
  settleOwnLadder,
  shareOwnRungs,
  addTemplate,
  type LadderSetting,
  type RungEdit,
} from '@/core/commands';
import type { PlacedSection } from '@/core/sections';
import { ladderFor, ladderPlayer, type Ladder, type Piece, type Template } from '@/core/studio';
import type { Acts } from '@/features/acts';

export interface LadderContext extends LadderSetting {
  readonly piece: Piece;
  readonly sections: readonly PlacedSection[];
  readonly ladders: readonly Ladder[];
}

/** Everything a teacher does to the ladders of a piece; each is one change that can be undone. */
export function ladderActions({ piece, sections, ladders, ...setting }: LadderContext, { run }: Acts) {
  const pieceId = piece.id;
  const player = ladderPlayer(piece, setting.student ?? null);
  const studentId = setting.student?.id;
  const of = (placed: PlacedSection) => ({ ...setting, pieceId, sectionId: placed.section.id });
  return {
    ladderOf: (placed: PlacedSection): Ladder | null => ladderFor(ladders, placed.section.id, player, studentId),
    change: (placed: PlacedSection, edit: RungEdit, stored: () => void = () => undefined): void =>
      run(
        changeRungs,
        {
          pieceId,
          sectionId: placed.section.id,
          edit,
          ...(player === undefined ? {} : { player }),
          ...(studentId === undefined ? {} : { studentId }),
        },
        { stored },
      ),
    build: (placed: PlacedSection): void => run(buildLadders, { ...setting, pieceId, sectionIds: [placed.section.id] }),
    buildAll: (): void => run(buildLadders, { ...setting, pieceId, sectionIds: sections.map((p) => p.section.id) }),
    rebuild: (placed: PlacedSection): void =>
      run(buildLadders, { ...setting, pieceId, sectionIds: [placed.section.id], anew: true }),
    settle: (placed: PlacedSection, to: 'as-the-piece' | 'for-everyone'): void =>
      run(settleOwnLadder, { ...of(placed), to }),
    setTarget: (targetTempo: number | null, stored: () => void): void =>
      run(setTarget, { ...setting, pieceId, targetTempo }, { stored }),
    setCap: (tempo: number | null, stored: () => void): void => {
      if (studentId === undefined) return;
      const label = tempo === null ? 'no cap' : `not above ${tempo} for now`;
      run(changeStudent, { studentId, change: { cap: [pieceId, tempo] }, label }, { stored });
    },
    keepTemplate: (placed: PlacedSection, name: string, stored: () => void): void =>
      run(keepTemplate, { ...of(placed), name }, { stored }),
    useTemplate: (placed: PlacedSection, template: Template): void =>
      run(addTemplate, { ...of(placed), templateId: template.id }),
    shareOwn: (placed: PlacedSection, others: readonly PlacedSection[]): void =>
      run(shareOwnRungs, { ...of(placed), to: others.map((p) => p.section.id) }),
  };
}

export type LadderActions = ReturnType<typeof ladderActions>;
