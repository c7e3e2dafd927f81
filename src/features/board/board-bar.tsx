import type { ReactNode } from 'react';
import { useStudio } from '@/store';
import { Button, Choose, downloadFile } from '@/ui';
import { useActs } from '@/features/acts';
import { useWhere } from '@/features/where';
import { askFiles } from '@/workers';
import type { Arranged } from './use-arranged';

interface Props {
  readonly arranged: Arranged;
  /** The piece whose board it is; null for that of all pieces. */
  readonly pieceId: string | null;
}

/** Who is shown and in which order, and what can be taken along. */
export function BoardBar({ arranged, pieceId }: Props): ReactNode {
  const where = useWhere();
  const studio = useStudio();
  const { act } = useActs();
  const saveCsv = async () => {
    const csv = await askFiles((api) => api.masteryCsv(studio.db.name, pieceId, studio.zone));
    if (csv.ok) downloadFile(csv.value.file, 'mastery.csv', 'text/csv');
    return csv;
  };
  return (
    <div className="mb-3 flex flex-wrap items-center gap-3">
      <Choose
        label="Show"
        value={arranged.filter}
        choices={[
          ['all', 'everyone'],
          ['in-work', pieceId === null ? 'who has begun' : 'who works on it'],
          ['due', 'who has something due'],
          ['at-risk', 'who has something at risk'],
        ]}
        onPick={arranged.onFilter}
      />
      <Choose
        label="by"
        value={arranged.sort}
        choices={[
          ['order', 'my own order'],
          ['name', 'name'],
          ['level', 'level, highest first'],
          ['due', 'most due first'],
        ]}
        onPick={arranged.onSort}
      />
      <Button className="ml-auto" onClick={() => where.go('sheet', { studentId: null })}>
        Sheets for home
      </Button>
      <Button disabled={!arranged.hasLevels} onClick={() => act(saveCsv)}>
        Save as CSV
      </Button>
    </div>
  );
}
