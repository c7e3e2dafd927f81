import type { ReactNode } from 'react';
import type { Student } from '@/core/studio';
import { Button, EmptyState } from '@/ui';
import { useWhere } from '@/features/where';

/** Stands where a stage is about one student and nobody is chosen: who it is, or where students are added. */
export function ChooseStudent({
  title,
  stage,
  students,
  onPick,
}: {
  readonly title: string;
  /** The name of the stage, for who does not see it. */
  readonly stage: string;
  readonly students: readonly Student[];
  readonly onPick: (studentId: string) => void;
}): ReactNode {
  const where = useWhere();
  return (
    <EmptyState title={title}>
      <h1 className="sr-only">{stage}</h1>
      {students.length === 0 ? (
        <>
          <p>No students yet. Add them on the board; a first name or initials are enough.</p>
          <Button look="primary" big onClick={() => where.go('board')}>
            Go to the board
          </Button>
        </>
      ) : (
        <div className="flex flex-wrap justify-center gap-2">
          {students.map((s) => (
            <Button key={s.id} big onClick={() => onPick(s.id)}>
              {s.name}
            </Button>
          ))}
        </div>
      )}
    </EmptyState>
  );
}
