import { dueState, type FoldedStanding } from '@/core/mastery';
import type { Student } from '@/core/studio';

export type Sort = 'order' | 'name' | 'level' | 'due';
export type Filter = 'all' | 'in-work' | 'due' | 'at-risk';

/** Students as they are asked for: filtered by what is due, sorted. */
export function arrange(
  students: readonly Student[],
  standings: readonly FoldedStanding[],
  pieceId: string | null,
  sort: Sort,
  filter: Filter,
  now: string,
): Student[] {
  const byStudent = new Map<string, FoldedStanding[]>();
  for (const s of standings) {
    const list = byStudent.get(s.studentId);
    if (list) list.push(s);
    else byStudent.set(s.studentId, [s]);
  }
  const of = (s: Student): readonly FoldedStanding[] => byStudent.get(s.id) ?? [];
  const due = (s: Student): number => of(s).filter((x) => dueState(x.fading, x.at, now) !== 'fresh').length;
  const level = (s: Student): number => of(s).reduce((sum, x) => sum + (x.level ?? 0), 0) / Math.max(1, of(s).length);
  const wanted = students.filter((s) =>
    filter === 'all'
      ? true
      : filter === 'in-work'
        ? of(s).length > 0 || s.pieceIds === undefined || (pieceId !== null && s.pieceIds.includes(pieceId))
        : filter === 'due'
          ? due(s) > 0
          : of(s).some((x) => dueState(x.fading, x.at, now) === 'at-risk'),
  );
  return [...wanted].sort((a, b) =>
    sort === 'name'
      ? a.name.localeCompare(b.name)
      : sort === 'level'
        ? level(b) - level(a)
        : sort === 'due'
          ? due(b) - due(a)
          : a.order - b.order,
  );
}
