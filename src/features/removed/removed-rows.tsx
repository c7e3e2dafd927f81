import type { ReactNode } from 'react';
import { bringBack } from '@/core/commands';
import { dayOf } from '@/core/studio';
import { useRemoved, useStudio, type RemovedRow } from '@/store';
import { Button, counted, dayWords } from '@/ui';
import { useActs } from '@/features/acts';

const ONE = { students: 'removed student', pieces: 'removed piece' } as const;

const nameOf = (removed: RemovedRow): string => (removed.table === 'students' ? removed.row.name : removed.row.title);

/** Students or pieces that were removed, each with the way back for all that is hidden with it. */
export function RemovedRows({ of }: { readonly of: RemovedRow['table'] }): ReactNode {
  const { zone } = useStudio();
  const { run } = useActs();
  const removed = (useRemoved() ?? []).filter((r) => r.table === of);
  if (removed.length === 0) return null;
  return (
    <details className="mt-3 border-t border-rule pt-2">
      <summary className="min-h-11 cursor-pointer py-2 font-semibold">{counted(removed.length, ONE[of])}</summary>
      <ul>
        {removed.map((gone) => (
          <li key={gone.row.id} className="flex flex-wrap items-center gap-3 py-1">
            <span className="min-w-40" translate="no">
              {nameOf(gone)},{' '}
              <span className="text-ink-2">removed on {dayWords(dayOf(gone.at.slice(0, 24), zone))}</span>
            </span>
            <Button onClick={() => run(bringBack, gone)}>Bring {nameOf(gone)} back</Button>
          </li>
        ))}
      </ul>
    </details>
  );
}
