'use client';

import { useVirtualizer } from '@tanstack/react-virtual';
import { useRef, useState, type KeyboardEvent, type ReactNode } from 'react';
import { isLevel } from '@/core/mastery';
import type { Level } from '@/core/studio';
import { RungMark } from '@/ui';

export interface GridCell {
  readonly level: Level;
  readonly due: boolean;
  readonly atRisk: boolean;
  readonly overruled: boolean;
  /** Its level is on its way into the database. */
  readonly storing: boolean;
  /** Date, tempo, who decided, in words. */
  readonly says: string;
  /** Of something heard in part: `2/5`. */
  readonly part?: string;
}

export interface GridRow {
  readonly id: string;
  readonly name: string;
  readonly about: string;
}

export interface GridColumn {
  readonly id: string;
  readonly head: string;
  readonly under: string;
  /** Its chunks can be shown, or put away again. */
  readonly opens?: 'open' | 'close';
  /** A chunk of the section before it. */
  readonly isChunk?: boolean;
}

interface Props {
  readonly label: string;
  readonly rows: readonly GridRow[];
  readonly columns: readonly GridColumn[];
  readonly cell: (row: GridRow, column: GridColumn) => GridCell | null;
  readonly cellName: (row: GridRow, column: GridColumn) => string;
  readonly onOpen: (row: GridRow, column: GridColumn) => void;
  readonly onRow: (row: GridRow) => void;
  /** Shows the chunks of a section, or puts them away. */
  readonly onChunks?: (column: GridColumn) => void;
  /** Sets a level by a digit; absent where a cell stands for several. */
  readonly onLevel?: (row: GridRow, column: GridColumn, level: Level) => void;
}

const ROW_HEIGHT = 60;
const MOVES: Readonly<Record<string, readonly [number, number]>> = {
  ArrowDown: [1, 0],
  ArrowUp: [-1, 0],
  ArrowRight: [0, 1],
  ArrowLeft: [0, -1],
  PageDown: [10, 0],
  PageUp: [-10, 0],
};

/** Levels in rows and columns; only the rows in sight are drawn, so that a large studio scrolls freely. */
export function LevelGrid({
  label,
  rows,
  columns,
  cell,
  cellName,
  onOpen,
  onRow,
  onChunks,
  onLevel,
}: Props): ReactNode {
  const scroller = useRef<HTMLDivElement | null>(null);
  const [focus, setFocus] = useState<readonly [number, number]>([0, 0]);
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW_HEIGHT,
    overscan: 6,
  });
  const template = `13rem repeat(${columns.length}, minmax(6.8rem, 1fr))`;
  const focusCell = (row: number, column: number): void => {
    setFocus([row, column]);
    virtual.scrollToIndex(row);
    requestAnimationFrame(() =>
      scroller.current?.querySelector<HTMLElement>(`[data-cell="${row}-${column}"]`)?.focus(),
    );
  };
  const onKeyDown = (event: KeyboardEvent, row: number, column: number): void => {
    const at = rows[row];
    const under = columns[column];
    const n = Number(event.key);
    if (
      at &&
      under &&
      onLevel &&
      event.key !== ' ' &&
      event.key !== '' &&
      isLevel(n) &&
      !event.ctrlKey &&
      !event.metaKey
    ) {
      event.preventDefault();
      onLevel(at, under, n);
      return;
    }
    const move =
      MOVES[event.key] ?? (event.key === 'Home' ? [0, -column] : event.key === 'End' ? [0, columns.length] : undefined);
    if (!move) return;
    event.preventDefault();
    focusCell(
      Math.max(0, Math.min(rows.length - 1, row + (move[0] ?? 0))),
      Math.max(0, Math.min(columns.length - 1, column + (move[1] ?? 0))),
    );
  };
  return (
    <div
      ref={scroller}
      className="max-h-[62vh] overflow-auto"
      role="grid"
      aria-label={label}
      aria-rowcount={rows.length + 1}
      aria-colcount={columns.length + 1}
    >
      <div style={{ minWidth: `calc(13rem + ${columns.length} * 6.8rem)` }}>
        <div
          role="row"
          aria-rowindex={1}
          className="sticky top-0 z-10 grid border-b border-rule-strong bg-sheet"
          style={{ gridTemplateColumns: template }}
        >
          <span role="columnheader" className="sticky left-0 bg-sheet px-3 py-2">
            <span className="sr-only">Student</span>
          </span>
          {columns.map((c) => (
            <span
              key={c.id}
              role="columnheader"
              className={`flex min-w-0 flex-col justify-end px-3 py-2 font-semibold ${c.isChunk ? 'bg-ground' : ''}`}
              title={`${c.head} ${c.under}`}
            >
              <span
                className={`block break-words leading-tight [hyphens:auto] ${c.head.length > 4 ? 'text-base' : 'text-lg'}`}
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
          ))}
        </div>
        <div className="relative" style={{ height: virtual.getTotalSize() }}>
          {virtual.getVirtualItems().map((item) => {
            const row = rows[item.index];
            if (!row) return null;
            return (
              <div
                key={row.id}
                role="row"
                aria-rowindex={item.index + 2}
                className="absolute left-0 top-0 grid w-full border-b border-rule bg-sheet"
                style={{ gridTemplateColumns: template, height: ROW_HEIGHT, transform: `translateY(${item.start}px)` }}
              >
                <span role="rowheader" className="sticky left-0 z-[1] bg-sheet">
                  <button type="button" className="h-full w-full px-3 text-left" onClick={() => onRow(row)}>
                    <span className="block truncate text-lg font-semibold">{row.name}</span>
                    <span className="block truncate text-sm text-ink-2">{row.about}</span>
                  </button>
                </span>
                {columns.map((column, c) => {
                  const there = cell(row, column);
                  return (
                    <span key={column.id} role="gridcell" className="border-l border-rule">
                      <button
                        type="button"
                        data-cell={`${item.index}-${c}`}
                        tabIndex={focus[0] === item.index && focus[1] === c ? 0 : -1}
                        title={there?.says ?? 'not in work'}
                        aria-label={`${cellName(row, column)}: ${there?.says ?? 'not in work'}`}
                        className="flex h-full w-full items-center px-3"
                        onFocus={() => setFocus([item.index, c])}
                        onKeyDown={(e) => onKeyDown(e, item.index, c)}
                        onClick={() => onOpen(row, column)}
                      >
                        {there ? (
                          <>
                            <RungMark level={there.level} due={there.due} overruled={there.overruled} />
                            {there.part ? <span className="figure ml-1 text-sm text-ink-2">{there.part}</span> : null}
                            {there.atRisk ? (
                              <span className="ml-1 whitespace-nowrap text-sm font-semibold text-warn">risk</span>
                            ) : null}
                          </>
                        ) : (
                          <span className="text-ink-3">–</span>
                        )}
                      </button>
                    </span>
                  );
                })}
              </div>
            );
          })}
        </div>
      </div>
    </div>
  );
}
