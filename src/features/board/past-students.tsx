import type { ReactNode } from 'react';
import { instrumentName } from '@/core/instruments';
import type { Student } from '@/core/studio';
import { Button, counted } from '@/ui';
import { RemovedRows } from '@/features/removed';
import { useWhere } from '@/features/where';

/** Students who are archived, to be looked at, and those who were removed, to be brought back. */
export function PastStudents({ archived }: { readonly archived: readonly Student[] }): ReactNode {
  const where = useWhere();
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
      <RemovedRows of="students" />
    </>
  );
}
