import type { ReactNode } from 'react';
import { ROW_WORDS, type Conflict } from '@/core/studio';
import { Panel } from '@/ui';

const MOST_LISTED = 50;
const shortly = (value: unknown): string => (JSON.stringify(value) ?? 'nothing').slice(0, 80);

function Line({ conflict }: { readonly conflict: Conflict }): ReactNode {
  switch (conflict.kind) {
    case 'field':
      return (
        <>
          {ROW_WORDS[conflict.table]}, {conflict.field}: kept{' '}
          <span className="font-semibold">{shortly(conflict.kept)}</span>, not kept {shortly(conflict.lost)}
        </>
      );
    case 'kept':
      return <>a {ROW_WORDS[conflict.table]} was taken away in one place and changed later in the other: it stays</>;
    case 'record':
      return <>two records under one number: the later one stands, the other is kept aside in the studio file</>;
  }
}

/** What two devices did to the same thing, each line what stands and what does not. */
export function ConflictList({ conflicts }: { readonly conflicts: readonly Conflict[] }): ReactNode {
  if (conflicts.length === 0) return null;
  return (
    <Panel title="Changed in both places" className="lg:col-span-2">
      <ul>
        {conflicts.slice(0, MOST_LISTED).map((c, i) => (
          <li key={i} className="border-t border-rule py-1 first:border-0">
            <Line conflict={c} />
          </li>
        ))}
        {conflicts.length > MOST_LISTED ? (
          <li className="border-t border-rule py-1">
            and {conflicts.length - MOST_LISTED} more; undo takes the whole file back
          </li>
        ) : null}
      </ul>
    </Panel>
  );
}
