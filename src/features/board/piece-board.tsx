'use client';

import { useMemo, useState, type ReactNode } from 'react';
import { hardSections, standingKey, type FoldedStanding } from '@/core/mastery';
import { tempoUnitOf, type Level, type Piece, type Section, type Student } from '@/core/studio';
import { ONLY_A_LEVEL, recordLevel } from '@/core/commands';
import { useGlances, usePieces, useSectionsOf, useStandings, useStudio } from '@/store';
import { Panel } from '@/ui';
import { useActs } from '@/features/acts';
import { useWhere } from '@/features/where';
import { BoardBar } from './board-bar';
import { chunksBySection, columnsOf, withChunks } from './board-columns';
import type { GridCell, GridColumn, GridRow } from './grid';
import { LevelGrid } from './level-grid';
import { rowOf } from './row-of';
import { standingCell } from './standing-cell';
import { useArranged } from './use-arranged';
import { useKnownCells } from './use-known-cells';

const HARDEST = 5;

const inOrder = (sections: readonly Section[]): Section[] =>
  [...sections].sort((a, b) => a.order - b.order || (a.id < b.id ? -1 : 1));

interface HardProps {
  readonly sections: readonly Section[];
  readonly students: readonly Student[];
  readonly standings: ReadonlyMap<string, FoldedStanding>;
}

/** Sections on which most students are behind. */
function HardForEveryone({ sections, students, standings }: HardProps): ReactNode {
  const hard = useMemo(
    () =>
      hardSections(
        sections.map((s) => ({
          sectionId: s.id,
          levels: new Map(
            students.flatMap((st) => {
              const level = standings.get(standingKey(st.id, s.id))?.level ?? null;
              return level === null ? [] : [[st.id, level] as const];
            }),
          ),
        })),
      ).slice(0, HARDEST),
    [sections, students, standings],
  );
  if (hard.length === 0) return null;
  return (
    <Panel title="Hard for everyone">
      <ol className="grid gap-x-8 gap-y-1 text-lg lg:grid-cols-2">
        {hard.map((h) => {
          const section = sections.find((s) => s.id === h.sectionId);
          return (
            <li key={h.sectionId} className="flex gap-3">
              <span className="min-w-8 font-semibold">{section?.letter}</span>
              <span className="flex-1">{section?.name}</span>
              <span className="text-ink-2">
                <span className="figure">{h.behind.toFixed(1)}</span> levels behind, {h.students}{' '}
                {h.students === 1 ? 'student' : 'students'}
              </span>
            </li>
          );
        })}
      </ol>
    </Panel>
  );
}

/** Records levels from the board; cells whose level is on its way into the database are shown as that, not as set. */
function useLevels(places: readonly Section[]) {
  const { run } = useActs();
  const [storing, setStoring] = useState<ReadonlySet<string>>(new Set());
  const set = (row: GridRow, column: GridColumn, level: Level): void => {
    const section = places.find((s) => s.id === column.id);
    if (!section) return;
    const key = standingKey(row.id, section.id);
    setStoring((before) => new Set([...before, key]));
    const ended = (): void => setStoring((before) => new Set([...before].filter((k) => k !== key)));
    run(
      recordLevel,
      {
        studentId: row.id,
        sectionId: section.id,
        lessonId: null,
        outside: true,
        level,
        ...ONLY_A_LEVEL,
      },
      { stored: ended, refused: ended },
    );
  };
  return { storing, set };
}

interface Props {
  readonly pieceId: string;
  readonly students: readonly Student[];
}

/** The students by the sections of one piece. */
export function PieceBoard({ pieceId, students }: Props): ReactNode {
  const where = useWhere();
  const studio = useStudio();
  const piece: Piece | undefined = usePieces()?.find((p) => p.id === pieceId);
  const standings = useStandings({ pieceId });
  const glances = useGlances(pieceId);
  const rows = useSectionsOf(useMemo(() => [pieceId], [pieceId]));
  const [opened, setOpened] = useState<ReadonlySet<string>>(new Set());
  const now = studio.now();
  const { storing, set } = useLevels(rows?.places ?? []);
  const arranged = useArranged(students, glances ?? [], pieceId, now);
  const sections = useMemo(() => inOrder(rows?.sections ?? []), [rows]);
  const sectionOf = useMemo(() => new Map(sections.map((s) => [s.id, s])), [sections]);
  const known = useKnownCells<FoldedStanding, GridCell>(now, piece);
  const chunks = useMemo(() => chunksBySection(rows?.places ?? [], rows?.ways ?? []), [rows]);
  if (!rows || !standings || !glances) return <Panel label="Board">Opening the board…</Panel>;
  const columns = columnsOf(sections, chunks, opened);
  const unit = tempoUnitOf(piece);
  const cellOf = (row: GridRow, column: GridColumn): GridCell => {
    const key = standingKey(row.id, column.id);
    const there = standings.get(key);
    const own = there
      ? known(there, () => standingCell(there, unit, now, studio.zone))
      : standingCell(undefined, unit, now, studio.zone);
    const section = sectionOf.get(column.id);
    const cell = section ? withChunks(own, section, row.id, chunks.get(section.id) ?? [], standings) : own;
    return storing.has(key) ? { ...cell, storing: true, says: 'storing…' } : cell;
  };
  return (
    <>
      <Panel label="Board">
        <BoardBar arranged={arranged} pieceId={pieceId} />
        {columns.length === 0 ? (
          <p className="text-lg text-ink-2">
            This piece has no sections yet.{' '}
            <button
              type="button"
              className="min-h-11 font-semibold text-leaf underline"
              onClick={() => where.go('sections')}
            >
              Make sections
            </button>
          </p>
        ) : arranged.shown.length === 0 ? (
          <p className="text-lg text-ink-2">No student is in this list. Show everyone to see them all.</p>
        ) : (
          <LevelGrid
            label="Levels of students by sections"
            rows={arranged.shown.map(rowOf)}
            columns={columns}
            cell={cellOf}
            cellName={(row, column) => `${row.name}, ${column.isChunk ? 'chunk' : 'section'} ${column.head}`}
            onRow={(row) => where.change({ studentId: row.id })}
            onOpen={(row, column) => where.go('lesson', { studentId: row.id, sectionId: column.id, bars: null })}
            onChunks={({ id }) =>
              setOpened((before) => new Set(before.has(id) ? [...before].filter((o) => o !== id) : [...before, id]))
            }
            onLevel={set}
          />
        )}
      </Panel>
      <HardForEveryone sections={sections} students={students} standings={standings} />
    </>
  );
}
