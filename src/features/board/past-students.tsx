import type { ReactNode } from 'react';
import { bringBack } from '@/core/commands';
import { instrumentName } from '@/core/instruments';
import { dayOf, type Student } from '@/core/studio';
import { useRemoved, useStudio } from '@/store';
import { Button, counted, dayWords } from '@/ui';
import { useActs } from '@/features/acts';
import { useWhere } from '@/features/where';

/** Students who are archived, to be looked at, and those who were removed, to be brought back. */
export function PastStudents({ archived }: { readonly archived: readonly Student[] }): ReactNode {
  const where = useWhere();
  const { zone } = useStudio();
  const { run } = useActs();
  const removed = (useRemoved() ?? []).flatMap((r) => (r.table === 'students' ? [r] : []));
  return (
    <>
      {archived.length > 0 ? (
        <details className="mt-3 border-t border-rule pt-2">
          <summary className="min-h-11 cursor-pointer py-2 font-semibold">
            {counted(archived.length, 'archived student')}
          </summary>
          <ul className="flex flex-wrap gap-2 py-2">
            {archived.map((s) => (
              <li key={s.id}>
                <Button onClick={() => where.change({ studentId: s.id })}>
                  {s.name}, {instrumentName(s)}
                </Button>
              </li>
            ))}
          </ul>
        </details>
      ) : null}
      {removed.length > 0 ? (
        <details className="mt-3 border-t border-rule pt-2">
          <summary className="min-h-11 cursor-pointer py-2 font-semibold">
            {counted(removed.length, 'removed student')}
          </summary>
          <ul>
            {removed.map(({ row, at }) => (
              <li key={row.id} className="flex flex-wrap items-center gap-3 py-1">
                <span className="min-w-40">
                  {row.name}, <span className="text-ink-2">removed on {dayWords(dayOf(at.slice(0, 24), zone))}</span>
                </span>
                <Button onClick={() => run(bringBack, { table: 'students', row })}>Bring {row.name} back</Button>
              </li>
            ))}
          </ul>
        </details>
      ) : null}
    </>
  );
}
