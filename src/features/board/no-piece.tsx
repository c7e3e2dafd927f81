import type { ReactNode } from 'react';
import type { Student } from '@/core/studio';
import { Button } from '@/ui';
import { useWhere } from '@/features/where';

/** Students, and no piece they could climb yet. */
export function NoPiece({ students }: { readonly students: readonly Student[] }): ReactNode {
  const where = useWhere();
  return (
    <div className="text-lg">
      <p className="mb-2 text-ink-2">No piece is on the shelf yet: levels stand here once there is one.</p>
      <div className="mb-3 flex flex-wrap gap-2">
        {students.map((s) => (
          <Button key={s.id} look="quiet" big onClick={() => where.change({ studentId: s.id })}>
            {s.name}
          </Button>
        ))}
      </div>
      <Button look="primary" big onClick={() => where.go('shelf')}>
        Bring in a piece
      </Button>
    </div>
  );
}
