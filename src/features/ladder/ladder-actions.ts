import { toast } from 'sonner';
import { buildLadder, describeCopy, fromTemplateRungs, mergeLadder, toTemplateRungs, type CopyOf, type LadderConflict, type StudentLevel } from '@/core/ladder';
import type { Score } from '@/core/score';
import { tempoAt } from '@/core/score';
import type { PlacedSection } from '@/core/sections';
import type { Ladder, Mark, Piece, Rung, Teaching, Template } from '@/core/studio';
import { rowChange, storedRow, type ChangeEntry, type StudioAccess } from '@/store';
import { difficultiesOf } from '@/features/score';

export interface LadderContext {
  readonly piece: Piece;
  readonly score: Score;
  readonly sections: readonly PlacedSection[];
  readonly ladders: readonly Ladder[];
  readonly marks: readonly Mark[];
  readonly teaching: Teaching;
  readonly level: StudentLevel;
}

export const targetOf = (piece: Piece, score: Score, placed: PlacedSection): number =>
  Math.round(piece.targetTempo ?? tempoAt(score, score.bars[placed.from]?.onset ?? (0 as never)));

/** What a linked section is a copy of; null for one that is not linked. */
function copyOf(score: Score, sections: readonly PlacedSection[], placed: PlacedSection): CopyOf | null {
  const model = sections.find((p) => p.section.id === placed.section.likeId);
  return model ? describeCopy(score, model.section.letter || model.section.name, [model.from, model.to], [placed.from, placed.to]) : null;
}

export function ladderActions(context: LadderContext, studio: StudioAccess, onConflicts: (list: readonly LadderConflict[]) => void) {
  const { piece, score, sections, ladders, marks, teaching, level } = context;
  const ladderOf = (placed: PlacedSection): Ladder | null => ladders.find((l) => l.sectionId === placed.section.id) ?? null;
  const built = (placed: PlacedSection, targetTempo: number | null): Rung[] =>
    buildLadder({
      score,
      from: placed.from,
      to: placed.to,
      instrument: piece.instrument,
      targetTempo,
      teaching,
      level,
      marks,
      copyOf: copyOf(score, sections, placed),
      difficulties: difficultiesOf(score),
      newId: studio.newId,
    });
  const row = (placed: PlacedSection, rungs: readonly Rung[], removed: readonly string[] = ladderOf(placed)?.removed ?? []): Ladder => ({
    id: ladderOf(placed)?.id ?? studio.newId(),
    sectionId: placed.section.id,
    pieceId: piece.id,
    rungs: [...rungs],
    ...(removed.length > 0 ? { removed: [...removed] } : {}),
    updatedAt: studio.now(),
  });
  const save = (label: string, placed: PlacedSection, rungs: readonly Rung[], removed?: readonly string[]): Promise<void> =>
    studio.commit(label, [rowChange('ladders', ladderOf(placed), row(placed, rungs, removed))]);
  /** The ladder built anew over the one there is, the teacher's changes kept. */
  const again = (placed: PlacedSection, targetTempo: number | null) => {
    const ladder = ladderOf(placed);
    return mergeLadder(ladder?.rungs ?? [], ladder?.removed ?? [], built(placed, targetTempo));
  };
  /** Changes the rungs as they are stored now: two quick edits both count. */
  const change = async (
    label: string,
    placed: PlacedSection,
    to: (rungs: readonly Rung[]) => readonly Rung[],
    removed: readonly string[] = [],
  ): Promise<void> => {
    const shown = ladderOf(placed);
    const stored = shown ? await storedRow(studio.db, 'ladders', shown.id) : null;
    const gone = [...(stored?.removed ?? []), ...removed];
    await studio.commit(label, [rowChange('ladders', stored, row(placed, to(stored?.rungs ?? []), gone))]);
  };
  return {
    ladderOf,
    change,
    save,
    build: (placed: PlacedSection): Promise<void> => save(`ladder for ${placed.section.letter}`, placed, built(placed, piece.targetTempo)),
    buildAll: (): Promise<void> =>
      studio.commit(
        'ladders for all sections',
        sections.flatMap((p) => (ladderOf(p) ? [] : [rowChange('ladders', null, row(p, built(p, piece.targetTempo)))])),
      ),
    rebuild: async (placed: PlacedSection): Promise<void> => {
      const merged = again(placed, piece.targetTempo);
      await save(`ladder for ${placed.section.letter} built anew`, placed, merged.rungs);
      onConflicts(merged.conflicts);
      toast(
        merged.added + merged.dropped + merged.conflicts.length === 0
          ? 'Built anew; your changes stay.'
          : `Built anew: ${merged.added} new, ${merged.dropped} gone, your changes stay.`,
      );
    },
    /** Another target for the piece: every ladder follows it, the teacher's own tempos stay. */
    setTarget: async (targetTempo: number | null): Promise<void> => {
      const conflicts: LadderConflict[] = [];
      const entries: ChangeEntry[] = [rowChange('pieces', piece, { ...piece, targetTempo, updatedAt: studio.now() })];
      for (const p of sections) {
        const ladder = ladderOf(p);
        if (!ladder) continue;
        const merged = again(p, targetTempo);
        conflicts.push(...merged.conflicts);
        entries.push(rowChange('ladders', ladder, row(p, merged.rungs)));
      }
      await studio.commit(targetTempo === null ? 'target as printed' : `target ${targetTempo}`, entries);
      onConflicts(conflicts);
    },
    keepTemplate: (placed: PlacedSection, name: string): Promise<void> => {
      const template: Template = {
        id: studio.newId(),
        name,
        rungs: toTemplateRungs(ladderOf(placed)?.rungs ?? [], targetOf(piece, score, placed)),
        updatedAt: studio.now(),
      };
      return studio.commit(`template ${name}`, [rowChange('templates', null, template)]);
    },
    useTemplate: (placed: PlacedSection, template: Template): Promise<void> =>
      save(`template ${template.name} used`, placed, [
        ...(ladderOf(placed)?.rungs ?? []),
        ...fromTemplateRungs(template.rungs, targetOf(piece, score, placed), studio.newId),
      ]),
    /** The teacher's own rungs of one section, put into others; ladders that are not there yet are built first. */
    shareOwn: async (placed: PlacedSection, others: readonly PlacedSection[]): Promise<void> => {
      const own = (ladderOf(placed)?.rungs ?? []).filter((r) => r.own);
      const template = toTemplateRungs(own, targetOf(piece, score, placed));
      await studio.commit(
        'own rungs for the other sections',
        others.map((p) => {
          const ladder = ladderOf(p);
          const base = ladder?.rungs ?? built(p, piece.targetTempo);
          const fresh = fromTemplateRungs(template, targetOf(piece, score, p), studio.newId).filter((r) => !base.some((b) => b.what === r.what));
          return rowChange('ladders', ladder, row(p, [...base, ...fresh]));
        }),
      );
      toast(`${own.length} ${own.length === 1 ? 'rung' : 'rungs'} now also in ${others.length} other ${others.length === 1 ? 'section' : 'sections'}.`);
    },
  };
}

export type LadderActions = ReturnType<typeof ladderActions>;
