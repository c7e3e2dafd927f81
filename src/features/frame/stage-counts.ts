'use client';

import { placeSections } from '@/core/sections';
import { standingKey } from '@/core/mastery';
import { useLadders, usePiece, useStandings, useSections } from '@/store';
import { useScore } from '@/features/score';
import { useWhere, type Stage } from '@/features/where';

/** What is still to do at each stage for this student and piece: stretches without a section, sections without a ladder, sections not heard yet. */
export function useStageCounts(): Partial<Record<Stage, number>> {
  const { pieceId, studentId } = useWhere();
  const piece = usePiece(pieceId);
  const sections = useSections(pieceId);
  const ladders = useLadders(pieceId);
  const records = useStandings(studentId ? { pieceId, studentId } : {});
  const state = useScore(piece);
  if (!pieceId || state.kind !== 'ready' || !sections) return {};
  const placed = placeSections(state.score, sections);
  const covered = new Set(placed.flatMap((p) => Array.from({ length: p.to - p.from + 1 }, (_, i) => p.from + i)));
  const bare = state.score.bars.filter((b, i) => !covered.has(i) && (i === 0 || covered.has(i - 1))).length;
  const withLadder = new Set((ladders ?? []).map((l) => l.sectionId));
  return {
    sections: bare,
    ladder: sections.filter((s) => !withLadder.has(s.id)).length,
    lesson: studentId && records ? sections.filter((s) => !records.has(standingKey(studentId, s.id))).length : 0,
  };
}
