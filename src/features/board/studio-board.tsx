'use client';

import { useMemo, useState, type ReactNode } from 'react';
import { instrumentName } from '@/core/instruments';
import type { FoldedStanding, Glance } from '@/core/mastery';
import { placeKey, type Student } from '@/core/studio';
import { isSection } from '@/core/way';
import { useGlances, usePieces, useSectionsOf, useStudio, useWorks } from '@/store';
import { Panel } from '@/ui';
import { useWhere } from '@/features/where';
import { BoardBar } from './board-bar';
import type { GridCell, GridColumn, GridRow, InSight } from './grid';
import { LevelGrid } from './level-grid';
import { NoPiece } from './no-piece';
import { rowOf } from './row-of';
import { piecesCell, WAITING_CELL } from './standing-cell';
import { useArranged } from './use-arranged';
import { useKnownCells } from './use-known-cells';

const NOBODY: InSight = { rows: [], columns: [] };
const NO_GLANCES: readonly Glance[] = [];
const NO_STANDINGS: readonly FoldedStanding[] = [];

/** The cells that are in sight, and only those: their works and the sections of their pieces are asked for. */
function useCellsInSight(
  inSight: InSight,
  glances: readonly Glance[],
): (row: GridRow, column: GridColumn) => GridCell | null {
  const studio = useStudio();
  const now = studio.now();
  const begun = useMemo(() => new Set(glances.map((g) => g.key)), [glances]);
  const asked = useMemo(() => {
    const rows = new Set(inSight.rows);
    const columns = new Set(inSight.columns);
    return glances.filter((g) => rows.has(g.studentId) && columns.has(g.pieceId));
  }, [inSight, glances]);
  const works = useWorks(asked);
  const sections = useSectionsOf(inSight.columns);
  const tops = useMemo(() => {
    const count = new Map<string, number>();
    for (const s of sections?.sections ?? [])
      if (s.parentId === null) count.set(s.pieceId, (count.get(s.pieceId) ?? 0) + 1);
    return count;
  }, [sections]);
  // A piece stands where its sections do; their chunks are inside them.
  const chunks = useMemo(
    () => new Set((sections?.places ?? []).flatMap((p) => (isSection(p) ? [] : [p.id]))),
    [sections],
  );
  const known = useKnownCells<readonly FoldedStanding[], GridCell | null>(now, sections);
  return (row, column) => {
    const key = placeKey({ studentId: row.id, pieceId: column.id });
    if (!begun.has(key)) return null;
    if (!works?.asked.has(key) || !sections?.pieceIds.includes(column.id)) return WAITING_CELL;
    const standings = works.standings.get(key) ?? NO_STANDINGS;
    return known(standings, () =>
      piecesCell(
        standings.filter((s) => !chunks.has(s.sectionId)),
        tops.get(column.id) ?? 0,
        now,
        studio.zone,
      ),
    );
  };
}

/** The students by all pieces. */
export function StudioBoard({ students }: { readonly students: readonly Student[] }): ReactNode {
  const where = useWhere();
  const studio = useStudio();
  const pieces = usePieces();
  const glances = useGlances(null);
  const arranged = useArranged(students, glances ?? [], null, studio.now());
  const [inSight, setInSight] = useState<InSight>(NOBODY);
  const cell = useCellsInSight(inSight, glances ?? NO_GLANCES);
  const columns = useMemo(
    () => (pieces ?? []).map((p): GridColumn => ({ id: p.id, head: p.title, under: instrumentName(p) })),
    [pieces],
  );
  if (!pieces || !glances) return <Panel label="Board">Opening the board…</Panel>;
  return (
    <Panel label="Board">
      <BoardBar arranged={arranged} pieceId={null} />
      {columns.length === 0 ? (
        <NoPiece students={arranged.shown} />
      ) : arranged.shown.length === 0 ? (
        <p className="text-lg text-ink-2">No student is in this list. Show everyone to see them all.</p>
      ) : (
        <LevelGrid
          label="Levels of students by pieces"
          rows={arranged.shown.map(rowOf)}
          columns={columns}
          cell={cell}
          cellName={(row, column) => `${row.name}, ${column.head}`}
          onInSight={setInSight}
          onRow={(row) => where.change({ studentId: row.id })}
          onOpen={(row, column) => where.go('lesson', { studentId: row.id, pieceId: column.id })}
        />
      )}
    </Panel>
  );
}
