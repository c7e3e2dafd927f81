'use client';

import { useMemo } from 'react';
import { instrumentName } from '@/core/instruments';
import type { NextThing } from '@/core/plan';
import { TEACHING_QUESTIONS } from '@/core/studio';
import { useEveryPiece, useEveryStudent, usePiece, useSectionsOf } from '@/store';
import { actionsNow } from '@/features/keys';
import { useScore } from '@/features/score';
import { STAGES, STUDIO_STAGES, useWhere, type Stage } from '@/features/where';
import type { Thing } from './find-things';

/** Settings by the names that they have on their page. */
const SETTINGS = ['Name of the studio', 'Time zone', 'Names of note values', 'Size of the text'];

/** Everything that can be gone to or done from here. */
export function useThings(
  stageNames: Readonly<Record<Stage, string>>,
  next: (NextThing & { readonly go: () => void }) | null,
): readonly Thing[] {
  const where = useWhere();
  const students = useEveryStudent();
  const pieces = useEveryPiece();
  const rows = useSectionsOf(useMemo(() => (pieces ?? []).map((p) => p.id), [pieces]));
  const score = useScore(usePiece(where.pieceId));
  const titles = new Map((pieces ?? []).map((p) => [p.id, p.title]));
  const bars = score.kind === 'ready' ? score.score.bars : [];
  return [
    ...(next?.does ? [{ key: 'next', kind: 'next' as const, name: next.does, about: next.says, go: next.go }] : []),
    ...(students ?? []).map((s): Thing => ({
      key: `student ${s.id}`,
      kind: 'student',
      name: s.name,
      about: `${instrumentName(s)}${s.archived ? ', archived' : ''}`,
      go: () => (s.archived ? where.go('board', { studentId: s.id }) : where.change({ studentId: s.id })),
    })),
    ...(pieces ?? []).map((p): Thing => ({
      key: `piece ${p.id}`,
      kind: 'piece',
      name: p.title,
      about: [p.composer, instrumentName(p), p.archived ? 'archived' : ''].filter((t) => t !== '').join(', '),
      go: () => where.go(where.stage === 'shelf' ? 'read' : where.stage, { pieceId: p.id }),
    })),
    ...(rows?.sections ?? []).map((s): Thing => ({
      key: `section ${s.id}`,
      kind: 'section',
      name: `${s.letter} ${s.name}`.trim(),
      about: titles.get(s.pieceId) ?? '',
      go: () =>
        where.go(where.studentId === null ? 'sections' : 'lesson', {
          pieceId: s.pieceId,
          sectionId: s.id,
          bars: null,
        }),
    })),
    ...bars.map((bar): Thing => ({
      key: `bar ${bar.id}`,
      kind: 'bar',
      name: `bar ${bar.name}`,
      about: titles.get(where.pieceId ?? '') ?? '',
      go: () =>
        where.go(['sections', 'marks', 'read'].includes(where.stage) ? where.stage : 'read', {
          sectionId: null,
          bars: [bar.index, bar.index],
        }),
    })),
    ...[...STAGES, 'prepare' as const, 'sheet' as const, ...STUDIO_STAGES].map((stage): Thing => ({
      key: `stage ${stage}`,
      kind: 'stage',
      name: stageNames[stage],
      about: '',
      go: () => where.go(stage),
    })),
    ...actionsNow().map(({ id, shown, does, run }): Thing => ({
      key: `action ${id}`,
      kind: 'action',
      name: does,
      about: shown,
      go: run,
    })),
    ...[...SETTINGS, ...TEACHING_QUESTIONS.map((q) => q.question)].map((name): Thing => ({
      key: `setting ${name}`,
      kind: 'setting',
      name,
      about: 'in Settings',
      go: () => where.go('settings'),
    })),
  ];
}
