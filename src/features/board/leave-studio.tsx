import type { ReactNode } from 'react';
import { changeStudent, removeStudent } from '@/core/commands';
import type { Student } from '@/core/studio';
import { Button, Panel } from '@/ui';
import { useActs } from '@/features/acts';
import { useWhere } from '@/features/where';

/** A student who stops: archived, and back again; or removed with everything that was heard. */
export function LeaveStudio({ student }: { readonly student: Student }): ReactNode {
  const where = useWhere();
  const { run } = useActs();
  const archive = (archived: boolean): void =>
    run(
      changeStudent,
      {
        studentId: student.id,
        change: { archived },
        label: archived ? `${student.name} archived` : `${student.name} brought back`,
      },
      { stored: () => archived && where.change({ studentId: null }) },
    );
  return (
    <Panel title={student.archived ? 'Archived' : `When ${student.name} stops`}>
      <p className="mb-3 text-ink-2">
        Archived, {student.name} is out of the lists and choices, and everything that was heard stays. Removed, the
        records are hidden, too; undo, or <em>Removed</em> at the foot of the board, brings all of it back.
      </p>
      <div className="flex flex-wrap gap-2">
        {student.archived ? (
          <Button look="primary" onClick={() => archive(false)}>
            Bring {student.name} back
          </Button>
        ) : (
          <Button onClick={() => archive(true)}>Archive {student.name}</Button>
        )}
        <Button
          look="quiet"
          onClick={() =>
            run(removeStudent, { studentId: student.id }, { stored: () => where.change({ studentId: null }) })
          }
        >
          Remove {student.name}
        </Button>
      </div>
    </Panel>
  );
}
