import { useMemo, useState } from 'react';
import type { Glance } from '@/core/mastery';
import type { Student } from '@/core/studio';
import { arrange, type Filter, type Sort } from './arrange-students';

const FILTERS = ['all', 'in-work', 'due', 'at-risk'] as const satisfies readonly Filter[];
const SORTS = ['order', 'name', 'level', 'due'] as const satisfies readonly Sort[];

/** Who is shown on a board, in which order, and how that is chosen. */
export interface Arranged {
  readonly shown: readonly Student[];
  readonly filter: Filter;
  readonly sort: Sort;
  /** Something is known of one of them; of who is archived or removed nothing is counted. */
  readonly hasLevels: boolean;
  readonly onFilter: (value: string) => void;
  readonly onSort: (value: string) => void;
}

/** Students in the order and with the filter that were chosen; `pieceId` where the board is of one piece. */
export function useArranged(
  students: readonly Student[],
  glances: readonly Glance[],
  pieceId: string | null,
  now: string,
): Arranged {
  const [sort, setSort] = useState<Sort>('order');
  const [filter, setFilter] = useState<Filter>(pieceId === null ? 'all' : 'in-work');
  const shown = useMemo(
    () => arrange(students, glances, pieceId, sort, filter, now),
    [students, glances, pieceId, sort, filter, now],
  );
  const hasLevels = useMemo(() => {
    const there = new Set(students.map((s) => s.id));
    return glances.some((g) => there.has(g.studentId));
  }, [glances, students]);
  return {
    shown,
    hasLevels,
    filter,
    sort,
    onFilter: (value) => setFilter(FILTERS.find((f) => f === value) ?? 'all'),
    onSort: (value) => setSort(SORTS.find((s) => s === value) ?? 'order'),
  };
}
