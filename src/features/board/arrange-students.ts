import { dueAtAGlance, type Glance } from '@/core/mastery';
import type { Student } from '@/core/studio';

export type Sort = 'order' | 'name' | 'level' | 'due';
export type Filter = 'all' | 'in-work' | 'due' | 'at-risk';

/** Students as they are asked for: filtered by what is due, sorted. */
export function arrange(
  students: readonly Student[],
  glances: readonly Glance[],
  pieceId: string | null,
  sort: Sort,
  filter: Filter,
  now: string,
): Student[] {
  const by = new Map<string, { due: number; atRisk: number; places: number; levels: number }>();
  for (const g of glances) {
    const there = by.get(g.studentId) ?? { due: 0, atRisk: 0, places: 0, levels: 0 };
    const { due, atRisk } = dueAtAGlance(g, now);
    by.set(g.studentId, {
      due: there.due + due,
      atRisk: there.atRisk + atRisk,
      places: there.places + g.places,
      levels: there.levels + g.levels,
    });
  }
  const due = (s: Student): number => by.get(s.id)?.due ?? 0;
  const level = (s: Student): number => (by.get(s.id)?.levels ?? 0) / Math.max(1, by.get(s.id)?.places ?? 0);
  const wanted = students.filter((s) =>
    filter === 'all'
      ? true
      : filter === 'in-work'
        ? by.has(s.id) || s.pieceIds === undefined || (pieceId !== null && s.pieceIds.includes(pieceId))
        : filter === 'due'
          ? due(s) > 0
          : (by.get(s.id)?.atRisk ?? 0) > 0,
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
