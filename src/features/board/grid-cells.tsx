'use client';

import type { VirtualItem } from '@tanstack/react-virtual';
import { memo, type ReactNode } from 'react';
import { RungMark } from '@/ui';
import type { GridCell, GridColumn } from './grid';

/** What stands above a column, and the way to its chunks. */
export function ColumnHead({
  column: c,
  index,
  item,
  onChunks,
}: {
  readonly column: GridColumn;
  readonly index: number;
  readonly item: VirtualItem;
  readonly onChunks: ((column: GridColumn) => void) | undefined;
}): ReactNode {
  return (
    <span
      role="columnheader"
      aria-colindex={index + 2}
      className={`absolute bottom-0 top-0 flex min-w-0 flex-col justify-end py-2 pl-3 pr-0.5 font-semibold ${c.isChunk ? 'bg-ground' : ''}`}
      style={{ left: item.start, width: item.size }}
      title={`${c.head} ${c.under}`}
    >
      <span
        className={`block break-words leading-tight [hyphens:auto] ${c.head.length > 4 ? 'line-clamp-4 text-base' : 'text-lg'}`}
      >
        {c.head}
      </span>
      <span className="figure block truncate text-sm font-normal text-ink-2">{c.under}</span>
      {c.opens && onChunks ? (
        <button
          type="button"
          aria-expanded={c.opens === 'close'}
          aria-label={`Chunks of ${c.head}`}
          className="min-h-9 text-left text-sm font-semibold text-leaf underline"
          onClick={() => onChunks(c)}
        >
          {c.opens === 'open' ? 'chunks' : 'fold'}
        </button>
      ) : null}
    </span>
  );
}

type CellMarkProps = Pick<GridCell, 'level' | 'due' | 'overruled' | 'atRisk'> & {
  /** Not in work, being read, or with its level. */
  readonly state: 'none' | 'waiting' | 'there';
  readonly part: string;
};

function CellMark({ state, level, due, overruled, atRisk, part }: CellMarkProps): ReactNode {
  if (state === 'none') return <span className="text-ink-3">–</span>;
  if (state === 'waiting') return <span className="text-ink-3">…</span>;
  return (
    <>
      <RungMark level={level} due={due} overruled={overruled} />
      {part === '' ? null : <span className="figure ml-1 text-sm text-ink-2">{part}</span>}
      {atRisk ? <span className="ml-1 whitespace-nowrap text-sm font-semibold text-warn">risk</span> : null}
    </>
  );
}

/** One cell; drawn anew only where what it shows has changed. What is done with it is heard by the grid. */
export const Cell = memo(function Cell({
  row,
  column,
  left,
  width,
  name,
  says,
  isStop,
  ...mark
}: CellMarkProps & {
  readonly row: number;
  readonly column: number;
  readonly left: number;
  readonly width: number;
  readonly name: string;
  readonly says: string;
  /** Tab stops here. */
  readonly isStop: boolean;
}): ReactNode {
  return (
    <span
      role="gridcell"
      aria-colindex={column + 2}
      className="absolute bottom-0 top-0 border-l border-rule"
      style={{ left, width }}
    >
      <button
        type="button"
        data-cell={`${row}-${column}`}
        tabIndex={isStop ? 0 : -1}
        title={says}
        aria-label={`${name}: ${says}`}
        className="flex h-full w-full items-center px-3"
      >
        <CellMark {...mark} />
      </button>
    </span>
  );
});
