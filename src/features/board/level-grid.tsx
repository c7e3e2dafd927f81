'use client';

import { useVirtualizer, type VirtualItem } from '@tanstack/react-virtual';
import { useEffect, useRef, useState, type KeyboardEvent, type ReactNode } from 'react';
import { isLevel } from '@/core/mastery';
import type { Level } from '@/core/studio';
import type { GridCell, GridColumn, GridRow, InSight } from './grid';
import { Cell, ColumnHead } from './grid-cells';
import { useWidth } from './use-width';

interface Props {
  readonly label: string;
  readonly rows: readonly GridRow[];
  readonly columns: readonly GridColumn[];
  readonly cell: (row: GridRow, column: GridColumn) => GridCell | null;
  readonly cellName: (row: GridRow, column: GridColumn) => string;
  readonly onOpen: (row: GridRow, column: GridColumn) => void;
  readonly onRow: (row: GridRow) => void;
  /** Told whenever other rows or columns come into sight. */
  readonly onInSight?: (inSight: InSight) => void;
  /** Shows the chunks of a section, or puts them away. */
  readonly onChunks?: (column: GridColumn) => void;
  /** Sets a level by a digit; absent where a cell stands for several. */
  readonly onLevel?: (row: GridRow, column: GridColumn, level: Level) => void;
}

const ROW_HEIGHT = 60;
/** In rem: the names of the students, and a column at least. */
const NAMES = 13;
const COLUMN = 6.8;
const MOVES: Readonly<Record<string, readonly [number, number]>> = {
  ArrowDown: [1, 0],
  ArrowUp: [-1, 0],
  ArrowRight: [0, 1],
  ArrowLeft: [0, -1],
  PageDown: [10, 0],
  PageUp: [-10, 0],
};

/** Which cell something happened in. */
function cellAt(target: EventTarget): readonly [number, number] | null {
  const at = target instanceof Element ? target.closest<HTMLElement>('[data-cell]')?.dataset['cell'] : undefined;
  const [row, column] = at?.split('-').map(Number) ?? [];
  return row === undefined || column === undefined ? null : [row, column];
}

/** So many rows or columns come into sight together, so that not every step of a scroll asks for something. */
const TOGETHER = 2;

/** Which of a list are drawn, and a few beside them; a line each. */
function idsOf(items: readonly VirtualItem[], list: readonly { readonly id: string }[]): string {
  const from = Math.floor((items[0]?.index ?? 0) / TOGETHER) * TOGETHER;
  const to = Math.ceil(((items.at(-1)?.index ?? -1) + 1) / TOGETHER) * TOGETHER;
  return list
    .slice(from, to)
    .map((item) => item.id)
    .join('\n');
}

/** In rem: room for what stands above the columns. */
const headHeight = (columns: readonly GridColumn[]): number =>
  columns.some((c) => c.head.length > 4) ? 7.5 : columns.some((c) => c.opens) ? 6.5 : 4;

/**
 * Levels in rows and columns; only the rows and columns in sight are drawn, so that a large studio scrolls freely.
 */
export function LevelGrid({
  label,
  rows,
  columns,
  cell,
  cellName,
  onOpen,
  onRow,
  onInSight,
  onChunks,
  onLevel,
}: Props): ReactNode {
  const scroller = useRef<HTMLDivElement | null>(null);
  /** The cell that is to have the focus. */
  const wanted = useRef<readonly [number, number] | null>(null);
  const [focus, setFocus] = useState<readonly [number, number]>([0, 0]);
  const { width, rem } = useWidth(scroller);
  const names = NAMES * rem;
  const columnWidth = Math.max(COLUMN * rem, (width - names) / Math.max(1, columns.length));
  const down = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW_HEIGHT,
    overscan: 2,
  });
  const across = useVirtualizer({
    horizontal: true,
    count: columns.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => columnWidth,
    paddingStart: names,
    // What lies below the names is not in sight.
    scrollPaddingStart: names,
    overscan: 1,
  });
  useEffect(() => across.measure(), [across, columnWidth, names]);
  const inRows = down.getVirtualItems();
  const inColumns = across.getVirtualItems();
  // As texts, for the lists are made anew with every drawing.
  const rowsInSight = idsOf(inRows, rows);
  const columnsInSight = idsOf(inColumns, columns);
  useEffect(
    () => onInSight?.({ rows: rowsInSight.split('\n'), columns: columnsInSight.split('\n') }),
    [rowsInSight, columnsInSight, onInSight],
  );
  const focusCell = (row: number, column: number): void => {
    setFocus([row, column]);
    down.scrollToIndex(row);
    across.scrollToIndex(column);
    wanted.current = [row, column];
    // Until it is drawn the grid itself listens: no key is lost.
    scroller.current?.focus({ preventScroll: true });
  };
  // What was out of sight can be gone to when it is drawn.
  useEffect(() => {
    const cell =
      wanted.current && scroller.current?.querySelector<HTMLElement>(`[data-cell="${wanted.current.join('-')}"]`);
    if (!cell) return;
    wanted.current = null;
    cell.focus({ preventScroll: true });
  });
  const onKeyDown = (event: KeyboardEvent): void => {
    const there = wanted.current ?? cellAt(event.target);
    if (!there) return;
    const [row, column] = there;
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
  const total = across.getTotalSize();
  return (
    <div
      ref={scroller}
      className="max-h-[62vh] overflow-auto"
      role="grid"
      tabIndex={-1}
      aria-label={label}
      aria-rowcount={rows.length + 1}
      aria-colcount={columns.length + 1}
      onKeyDown={onKeyDown}
      onFocus={(event) => {
        const at = cellAt(event.target);
        if (!at) return;
        wanted.current = null;
        setFocus((before) => (before[0] === at[0] && before[1] === at[1] ? before : at));
      }}
      onClick={(event) => {
        const [r = -1, c = -1] = cellAt(event.target) ?? [];
        const row = rows[r];
        const column = columns[c];
        if (row && column) onOpen(row, column);
      }}
    >
      <div style={{ width: total }}>
        <div
          role="row"
          aria-rowindex={1}
          className="sticky top-0 z-10 border-b border-rule-strong bg-sheet"
          style={{ width: total, height: headHeight(columns) * rem }}
        >
          <span
            role="columnheader"
            aria-colindex={1}
            className="sticky left-0 z-[1] block h-full bg-sheet px-3 py-2"
            style={{ width: names }}
          >
            <span className="sr-only">Student</span>
          </span>
          {inColumns.map((item) => {
            const column = columns[item.index];
            return column ? (
              <ColumnHead key={column.id} column={column} index={item.index} item={item} onChunks={onChunks} />
            ) : null;
          })}
        </div>
        <div className="relative" style={{ height: down.getTotalSize() }}>
          {inRows.map((item) => {
            const row = rows[item.index];
            if (!row) return null;
            return (
              <div
                key={row.id}
                role="row"
                aria-rowindex={item.index + 2}
                className="absolute left-0 top-0 border-b border-rule bg-sheet"
                style={{ width: total, height: ROW_HEIGHT, transform: `translateY(${item.start}px)` }}
              >
                <span
                  role="rowheader"
                  aria-colindex={1}
                  className="sticky left-0 z-[1] block h-full bg-sheet"
                  style={{ width: names }}
                >
                  <button type="button" className="h-full w-full px-3 text-left" onClick={() => onRow(row)}>
                    <span className="block truncate text-lg font-semibold">{row.name}</span>
                    <span className="block truncate text-sm text-ink-2">{row.about}</span>
                  </button>
                </span>
                {inColumns.map((under) => {
                  const column = columns[under.index];
                  if (!column) return null;
                  const there = cell(row, column);
                  return (
                    <Cell
                      key={column.id}
                      row={item.index}
                      column={under.index}
                      left={under.start}
                      width={under.size}
                      name={cellName(row, column)}
                      says={there?.says ?? 'not in work'}
                      isStop={focus[0] === item.index && focus[1] === under.index}
                      state={there === null ? 'none' : there.waiting ? 'waiting' : 'there'}
                      level={there?.level ?? 0}
                      due={there?.due ?? false}
                      overruled={there?.overruled ?? false}
                      atRisk={there?.atRisk ?? false}
                      part={there?.part ?? ''}
                    />
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
