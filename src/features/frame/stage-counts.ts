'use client';

import { ladderPlayer } from '@/core/studio';
import { placeSections } from '@/core/sections';
import { dueState, standingKey } from '@/core/mastery';
import { useLadders, usePiece, useSections, useStandings, useStudents, useStudio } from '@/store';
import { useScore } from '@/features/score';
import { useWhere, type Stage } from '@/features/where';

/**
 * What is still to do at each stage for this student and piece: stretches without a section, sections without a ladder,
 * sections not heard yet or due.
 */
export function useStageCounts(): Partial<Record<Stage, number>> {
  const { pieceId, studentId } = useWhere();
  const now = useStudio().now();
  const piece = usePiece(pieceId);
  const sections = useSections(pieceId);
  const ladders = useLadders(pieceId);
  const records = useStandings(studentId ? { pieceId, studentId } : {});
  const state = useScore(piece);
  const student = (useStudents() ?? []).find((s) => s.id === studentId) ?? null;
  if (!pieceId || state.kind !== 'ready' || !sections) return {};
  const placed = placeSections(state.score, sections);
  const covered = new Set(placed.flatMap((p) => Array.from({ length: p.to - p.from + 1 }, (_, i) => p.from + i)));
  const bare = state.score.bars.filter((b, i) => !covered.has(i) && (i === 0 || covered.has(i - 1))).length;
  const withLadder = new Set(
    (ladders ?? []).flatMap((l) => (piece && l.player === ladderPlayer(piece, student) ? [l.sectionId] : [])),
  );
  return {
    sections: bare,
    ladder: sections.filter((s) => !withLadder.has(s.id)).length,
    lesson:
      studentId && records
        ? sections.filter((s) => {
            const there = records.get(standingKey(studentId, s.id));
            return (
              s.parentId === null &&
              (!there || there.level === null || dueState(there.fading, there.at, now) !== 'fresh')
            );
          }).length
        : 0,
  };
}
